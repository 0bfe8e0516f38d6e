// Pennon: a public network of short posts. Posts, mentions, replies, direct messages, likes and
// re-posts, and a search over public posts.
import { table } from '../shared/pages.js';
import { Service, refuse } from '../shared/service.js';
import { chatter } from '../world/chatter.js';

const LONGEST_POST = 500;
const ACCOUNTS = ['@brindlekites', '@brindletrade'];

const service = new Service({
    name: 'Pennon',
    header: 'Pennon',
    accounts: ACCOUNTS,
    seed: () => ({ posts: chatter(), directs: [] }),
});
const { data } = service;

const postOf = (id) => data.posts.find((post) => post.id === id) ?? refuse(404, 'unknown_post', `There is no post ${id}.`);
const directOf = (id) => data.directs.find((direct) => direct.id === id) ?? refuse(404, 'unknown_message', `There is no message ${id}.`);

function readable(text) {
    if (typeof text !== 'string' || text.trim() === '') {
        refuse(422, 'empty', 'A post needs a text.');
    }
    if ([...text].length > LONGEST_POST) {
        refuse(422, 'too_long', `A post has at most ${LONGEST_POST} characters.`);
    }
    return text;
}

const mentions = (text) => ACCOUNTS.filter((account) => text.toLowerCase().includes(account));

function addPost({ author, name, text, inReplyTo = null, at }) {
    const parent = inReplyTo ? postOf(inReplyTo) : null;
    const id = service.nextId('p');
    const post = {
        id,
        author,
        author_name: name,
        text: readable(text),
        in_reply_to: inReplyTo,
        thread: parent?.thread ?? id,
        posted_at: at ?? new Date().toISOString(),
        revision: 1,
        removed: false,
        likes: [],
        reposts: [],
    };
    data.posts.push(post);
    // Whoever is named, or answered, hears of it.
    const heard = new Set(mentions(post.text));
    if (parent && ACCOUNTS.includes(parent.author)) {
        heard.add(parent.author);
    }
    heard.delete(author);
    for (const account of heard) {
        service.emit(account, parent && parent.author === account ? 'post.reply' : 'post.mention', { post }, post.posted_at);
    }
    return post;
}

function addDirect({ from, fromName, to, text, at }) {
    const direct = {
        id: service.nextId('d'), from, from_name: fromName, to, text: readable(text), sent_at: at ?? new Date().toISOString(), revision: 1, removed: false,
    };
    data.directs.push(direct);
    if (ACCOUNTS.includes(to)) {
        service.emit(to, 'direct.received', { message: direct }, direct.sent_at);
    }
    return direct;
}

function changed(post, type) {
    post.revision += 1;
    const heard = new Set(mentions(post.text));
    const parent = data.posts.find((other) => other.id === post.in_reply_to);
    if (parent && ACCOUNTS.includes(parent.author)) {
        heard.add(parent.author);
    }
    for (const account of heard) {
        service.emit(account, type, { post });
    }
    return post;
}

service.on('POST', '/v1/posts', ({ account, body, headers }) => service.once({ account, headers }, () => addPost({ author: account, name: 'Brindle Kite Works', text: body.text, inReplyTo: body.in_reply_to ?? null })));
service.on('GET', '/v1/posts/:id', ({ id }) => postOf(id));
service.on('POST', '/v1/directs', ({ account, body, headers }) => service.once({ account, headers }, () => addDirect({ from: account, fromName: 'Brindle Kite Works', to: body.to ?? refuse(422, 'nobody', 'A direct message needs somebody to go to.'), text: body.text })));
for (const [what, list] of [['like', 'likes'], ['repost', 'reposts']]) {
    service.on('PUT', `/v1/posts/:id/${what}`, ({ account, id }) => {
        const post = postOf(id);
        post[list] = [...new Set([...post[list], account])];
        return post;
    });
    service.on('DELETE', `/v1/posts/:id/${what}`, ({ account, id }) => {
        const post = postOf(id);
        post[list] = post[list].filter((name) => name !== account);
        return post;
    });
}
service.on('GET', '/v1/search', ({ query }) => {
    const words = (query.get('words') ?? '').toLowerCase().split(/\s+/).filter(Boolean);
    const before = Number(query.get('before') || data.posts.length);
    const found = data.posts.map((post, index) => ({ post, index }))
        .filter(({ post, index }) => index < before && !post.removed && words.length > 0 && words.every((word) => `${post.text} ${post.author}`.toLowerCase().includes(word)))
        .reverse();
    const shown = found.slice(0, 50);
    return { posts: shown.map(({ post }) => post), next: found.length > 50 ? String(shown.at(-1).index) : null };
});
service.on('GET', '/v1/people/:name/posts', ({ name }) => ({ posts: data.posts.filter((post) => post.author === name && !post.removed).slice(-50).reverse() }));

const person = [['author', 'Account name', { value: '@tomhru' }], ['name', 'Shown name', { value: 'Tomas Hrubý' }]];
service.act('post', 'Post publicly', [...person, ['text', 'Text', { area: true, value: '@brindlekites ' }], ['in_reply_to', 'In reply to (id of a post)']], ({ author, name, text, in_reply_to: inReplyTo, at }) => addPost({ author, name: name || author, text, inReplyTo: inReplyTo || null, at }));
service.act('direct', 'Write a direct message', [['from', 'Account name', { value: '@tomhru' }], ['name', 'Shown name', { value: 'Tomas Hrubý' }], ['to', 'To', { options: ACCOUNTS }], ['text', 'Text', { area: true }]], ({ from, name, to, text, at }) => addDirect({ from, fromName: name || from, to: to || ACCOUNTS[0], text, at }));
service.act('edit', 'Change a post or message', [['id', 'Its id'], ['text', 'New text', { area: true }]], ({ id, text }) => {
    if (id.startsWith('d')) {
        const direct = directOf(id);
        Object.assign(direct, { text: readable(text), revision: direct.revision + 1 });
        service.emit(direct.to, 'direct.edited', { message: direct });
        return direct;
    }
    const post = postOf(id);
    post.text = readable(text);
    return changed(post, 'post.edited');
});
service.act('remove', 'Remove a post or message', [['id', 'Its id']], ({ id }) => {
    if (id.startsWith('d')) {
        const direct = directOf(id);
        Object.assign(direct, { removed: true, revision: direct.revision + 1 });
        service.emit(direct.to, 'direct.removed', { message: direct });
        return direct;
    }
    const post = postOf(id);
    post.removed = true;
    return changed(post, 'post.removed');
});
service.describe = () => `<h2>Last posts</h2>${table(['Id', 'By', 'Text', 'In reply to', 'Likes'], data.posts.slice(-25).reverse().map((post) => [post.id, post.author, post.removed ? '(removed)' : post.text, post.in_reply_to ?? '', post.likes.join(' ')]))}
<h2>Last direct messages</h2>${table(['Id', 'From', 'To', 'Text'], data.directs.slice(-25).reverse().map((direct) => [direct.id, direct.from, direct.to, direct.removed ? '(removed)' : direct.text]))}`;
service.listen();
