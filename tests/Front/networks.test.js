import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { Standin } from './standin.js';

// Two networks with words of their own for what happens there.
const pennon = new Standin('pennon', '@brindlekites');
const snapline = new Standin('snapline', 'brindle.kites');

before(() => Promise.all([pennon.start(), snapline.start()]));
after(() => Promise.all([pennon.end(), snapline.end()]));

const kinds = (events) => events.map(({ type }) => type);

test('a post is heard by whom it names, in any case of letters, and by nobody else', async () => {
    const heard = await pennon.eventsOf(async () => {
        await pennon.act('post', { author: '@ana', name: 'Ana', text: 'Hello @BrindleKites, and @brindletrade' });
        await pennon.act('post', { author: '@ana', name: 'Ana', text: 'Kites are fun' });
    });
    assert.deepEqual(kinds(heard), ['post.mention']);
    assert.equal(heard[0].data.post.author_name, 'Ana');
    const { events } = await (await pennon.api('/events?limit=200', { key: 'key-brindletrade' })).json();
    assert.equal(events.at(-1).data.post.text, 'Hello @BrindleKites, and @brindletrade');
});

test('an answer to ours is a reply, not a mention, and stays in its thread', async () => {
    const ours = await (await pennon.post('/posts', { text: 'The festival is on Saturday.' })).json();
    assert.equal(ours.thread, ours.id);
    const heard = await pennon.eventsOf(() => pennon.act('post', { author: '@tom', name: 'Tom', text: 'Will it rain, @brindlekites?', in_reply_to: ours.id }));
    assert.deepEqual(kinds(heard), ['post.reply']);
    assert.equal(heard[0].data.post.thread, ours.id);
    // Our own answer tells us nothing.
    assert.deepEqual(await pennon.eventsOf(() => pennon.post('/posts', { text: 'No, @tom @brindlekites', in_reply_to: heard[0].data.post.id })), []);
});

test('a post that cannot be is refused, and nothing of it is there', async () => {
    const count = async () => (await pennon.look()).posts.length;
    const before = await count();
    assert.equal((await pennon.post('/posts', { text: ' ' })).status, 422);
    assert.equal((await pennon.post('/posts', {})).status, 422);
    assert.equal((await pennon.post('/posts', { text: 'x'.repeat(501) })).status, 422);
    assert.equal((await pennon.post('/posts', { text: 'Answer', in_reply_to: 'p0' })).status, 404);
    assert.equal((await pennon.post('/directs', { text: 'To nobody' })).status, 422);
    assert.equal(await count(), before);
    // Characters count, not the units in which they are stored.
    assert.equal((await pennon.post('/posts', { text: '🪁'.repeat(500) })).status, 200);
    assert.equal(await count(), before + 1);
});

test('a request that is sent again does nothing new, whatever its key is called', async () => {
    for (const key of ['one-answer', 'constructor', '__proto__', 'toString']) {
        const [first, second] = await Promise.all([pennon.post('/posts', { text: `Once ${key}` }, key), pennon.post('/posts', { text: `Once ${key}` }, key)]);
        assert.equal(first.status, 200);
        const post = await first.json();
        assert.ok(post.id, key);
        assert.deepEqual(await second.json(), post, key);
        assert.equal((await pennon.look()).posts.filter(({ text }) => text === `Once ${key}`).length, 1, key);
    }
});

test('one key of two accounts is two requests', async () => {
    const [ours, theirs] = [await pennon.post('/posts', { text: 'Ours' }, 'shared'), await pennon.api('/posts', {
        method: 'POST', key: 'key-brindletrade', body: { text: 'Theirs' }, headers: { 'idempotency-key': 'shared' },
    })];
    assert.deepEqual([(await ours.json()).author, (await theirs.json()).author], ['@brindlekites', '@brindletrade']);
});

test('likes and re-posts count once each and are taken back', async () => {
    const { id } = await pennon.act('post', { author: '@ana', name: 'Ana', text: 'A photo for @brindlekites' });
    for (const [what, list] of [['like', 'likes'], ['repost', 'reposts']]) {
        await pennon.api(`/posts/${id}/${what}`, { method: 'PUT' });
        const twice = await (await pennon.api(`/posts/${id}/${what}`, { method: 'PUT' })).json();
        assert.deepEqual(twice[list], ['@brindlekites']);
        const gone = await (await pennon.api(`/posts/${id}/${what}`, { method: 'DELETE' })).json();
        assert.deepEqual(gone[list], []);
    }
    assert.equal((await pennon.api('/posts/p0/like', { method: 'PUT' })).status, 404);
});

test('what was changed or removed is told again, with a revision that grows', async () => {
    const { id } = await pennon.act('post', { author: '@ana', name: 'Ana', text: '@brindlekites broken!' });
    const { id: direct } = await pennon.act('direct', { from: '@ana', text: 'My number is 1234', to: '@brindlekites' });
    const heard = await pennon.eventsOf(async () => {
        await pennon.act('edit', { id, text: '@brindlekites a bit broken' });
        await pennon.act('remove', { id });
        await pennon.act('edit', { id: direct, text: 'Never mind' });
        await pennon.act('remove', { id: direct });
    });
    assert.deepEqual(kinds(heard), ['post.edited', 'post.removed', 'direct.edited', 'direct.removed']);
    assert.deepEqual(heard.map(({ data }) => (data.post ?? data.message).revision), [2, 3, 2, 3]);
    // An event says how it was then, not how it is now.
    assert.equal(heard[0].data.post.removed, false);
    assert.equal((await pennon.act('edit', { id: 'p0', text: 'x' })).status, 404);
    assert.equal((await pennon.act('remove', { id: 'd0' })).status, 404);
});

test('a search finds posts with every word, the newest first, and none that was removed', async () => {
    for (const text of ['Gannet reel jams', 'The reel of my Gannet', 'Gannet only']) {
        await pennon.act('post', { author: '@searched', name: 'S', text });
    }
    const { id } = await pennon.act('post', { author: '@searched', name: 'S', text: 'gannet reel removed' });
    await pennon.act('remove', { id });
    const search = async (words) => (await (await pennon.api(`/search?words=${encodeURIComponent(words)}`)).json()).posts.map(({ text }) => text);
    assert.deepEqual(await search('GANNET reel'), ['The reel of my Gannet', 'Gannet reel jams']);
    assert.deepEqual(await search(''), []);
    assert.deepEqual((await search('@searched')).length, 3);
    const { posts } = await (await pennon.api('/people/@searched/posts')).json();
    assert.equal(posts.length, 3);
});

test('a search goes on behind its fiftieth without a gap', async () => {
    for (let number = 0; number < 53; number += 1) {
        await pennon.act('post', { author: '@many', name: 'M', text: `zephyr ${number}` });
    }
    const first = await (await pennon.api('/search?words=zephyr')).json();
    const second = await (await pennon.api(`/search?words=zephyr&before=${first.next}`)).json();
    const found = [...first.posts, ...second.posts].map(({ text }) => Number(text.slice(7)));
    assert.deepEqual(found, Array.from({ length: 53 }, (_, index) => 52 - index));
    assert.equal(second.next, null);
});

test('a comment under a photo is told with its photo, ours are not', async () => {
    let comment;
    const heard = await snapline.eventsOf(async () => {
        comment = await snapline.act('comment', { photo: 'f2', by: 'karindahl', shown: 'Karin Dahl', text: 'What a red!' });
        await snapline.post('/photos/f2/comments', { text: 'Thank you!', under: comment.id });
    });
    assert.deepEqual(kinds(heard), ['comment-new']);
    assert.deepEqual(heard[0].data.photo, { id: 'f2', caption: 'Kestrel 3, first flight of the new red' });
    assert.equal(heard[0].data.under_ours, false);
    assert.deepEqual(heard[0].data.comment.by, { user: 'karindahl', shown: 'Karin Dahl' });
});

test('a comment under ours says so, and one under what is not there is refused', async () => {
    const ours = await (await snapline.post('/photos/f1/comments', { text: 'New in slate' })).json();
    const [{ data }] = await snapline.eventsOf(() => snapline.act('comment', { photo: 'f1', by: 'ewan', text: 'How much?', under: ours.id }));
    assert.equal(data.under_ours, true);
    const comments = async () => (await snapline.look()).photos.flatMap((photo) => photo.comments).length;
    const before = await comments();
    assert.equal((await snapline.act('comment', { photo: 'f1', by: 'ewan', text: 'Lost', under: 'k0' })).status, 404);
    assert.equal((await snapline.post('/photos/f9/comments', { text: 'Where?' })).status, 404);
    // A comment of another photo is none that one can write under here.
    assert.equal((await snapline.post('/photos/f3/comments', { text: 'Astray', under: ours.id })).status, 404);
    assert.equal(await comments(), before);
});

test('a comment that is changed or removed is told with its version', async () => {
    const { id } = await snapline.act('comment', { photo: 'f1', by: 'ewan', text: 'Too dear' });
    const heard = await snapline.eventsOf(async () => {
        await snapline.act('edit', { id, text: 'Rather dear' });
        await snapline.act('edit', { id, text: '' });
    });
    assert.deepEqual(heard.map(({ type, data: { comment } }) => [type, comment.version, comment.text]), [['comment-changed', 2, 'Rather dear'], ['comment-gone', 3, 'Rather dear']]);
    assert.equal((await snapline.act('edit', { id: 'k0', text: 'x' })).status, 404);
    // A refused change is none.
    assert.equal((await snapline.act('edit', { id, text: 'x'.repeat(1001) })).status, 422);
    const kept = (await snapline.look()).photos.flatMap((photo) => photo.comments).find((one) => one.id === id);
    assert.deepEqual([kept.version, kept.text], [3, 'Rather dear']);
});

test('a talk holds both sides, and only theirs is told', async () => {
    const heard = await snapline.eventsOf(async () => {
        await snapline.act('message', { by: 'talker', shown: 'T. Alker', text: 'Is it there?' });
        await snapline.post('/talks/talker', { text: 'It is.' }, 'talk-1');
        await snapline.post('/talks/talker', { text: 'It is.' }, 'talk-1');
    });
    assert.deepEqual(kinds(heard), ['talk-message']);
    assert.deepEqual((await snapline.look()).talks.talker.map(({ ours, text }) => [ours, text]), [[false, 'Is it there?'], [true, 'It is.']]);
    assert.equal((await snapline.post('/talks/talker', { text: '' })).status, 422);
    assert.equal((await snapline.act('message', { by: 'talker' })).status, 422);
});

test('only one’s own photos are listed, with what is added', async () => {
    const { id } = await (await snapline.post('/photos', { caption: 'Dunlins at dusk' })).json();
    const { photos } = await (await snapline.api('/photos')).json();
    assert.deepEqual(photos.at(-1), { id, caption: 'Dunlins at dusk' });
    assert.equal((await snapline.post('/photos', {})).status, 422);
});
