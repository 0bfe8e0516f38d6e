import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { Standin } from './standin.js';

const marrowby = new Standin('marrowby', 'brindle-kites');
const quaymart = new Standin('quaymart', 'BRINDLE');

before(() => Promise.all([marrowby.start(), quaymart.start()]));
after(() => Promise.all([marrowby.end(), quaymart.end()]));

const status = async (response) => (await response).status;

test('Marrowby wants an answer within a day of what was asked', async () => {
    const [{ type, data: { question } }] = await marrowby.eventsOf(() => marrowby.act('question', { buyer: 'anaw88', name: 'Ana W.', listing: 'KES-RED', text: 'For beginners?', at: '2026-11-20T15:30:00.000Z' }));
    assert.equal(type, 'question.asked');
    assert.equal(question.answer_by, '2026-11-21T15:30:00.000Z');
    assert.equal(question.listing.id, 'KES-RED');
    assert.deepEqual(question.buyer, { id: 'anaw88', name: 'Ana W.' });
});

test('a question is answered once for one key, and not where there is none', async () => {
    const { id } = await marrowby.act('question', { buyer: 'anaw88', listing: 'KES-RED', text: 'Does it float?' });
    for (const time of [1, 2]) {
        assert.equal(await status(marrowby.post(`/questions/${id}/answers`, { text: 'It does.' }, `answer-${id}`)), 200, `time ${time}`);
    }
    const answers = (await marrowby.look()).questions.find((one) => one.id === id).answers;
    assert.deepEqual(answers.map(({ text }) => text), ['It does.']);
    assert.equal(await status(marrowby.post('/questions/mq0/answers', { text: 'Who?' })), 404);
    assert.equal(await status(marrowby.post(`/questions/${id}/answers`, { text: 'x'.repeat(4001) })), 422);
    assert.equal(await status(marrowby.post(`/questions/${id}/answers`, { text: null })), 422);
});

test('messages about an order stand together, from both sides', async () => {
    const number = '71-4480001';
    const heard = await marrowby.eventsOf(async () => {
        await marrowby.act('order-message', { buyer: 'anaw88', order_number: number, text: 'Where is it?' });
        await marrowby.post(`/orders/${number}/messages`, { text: 'On its way.' });
        await marrowby.act('order-message', { buyer: 'anaw88', order_number: number, text: 'Thanks' });
    });
    assert.deepEqual(heard.map(({ type, data: { message } }) => [type, message.text]), [['order.message', 'Where is it?'], ['order.message', 'Thanks']]);
    assert.deepEqual((await marrowby.look()).orders[number].map(({ from }) => from), ['buyer', 'seller', 'buyer']);
    assert.equal(await status(marrowby.post('/orders/71-0000000/messages', { text: 'Hello?' })), 404);
});

test('what is about an order names it', async () => {
    assert.equal((await marrowby.act('order-message', { buyer: 'anaw88', text: 'Where is it?' })).status, 422);
    assert.equal((await marrowby.act('return-request', { buyer: 'anaw88', reason: 'broken' })).status, 422);
    const { orders, requests } = await marrowby.look();
    assert.ok(!('undefined' in orders));
    assert.deepEqual(requests.filter((request) => !request.order_number), []);
});

test('a request for a return carries its reason, and its talk', async () => {
    const [{ data: { request } }] = await marrowby.eventsOf(() => marrowby.act('return-request', { buyer: 'beritw', name: 'Berit', order_number: '71-4480380', reason: 'broken', text: 'The spar split.' }));
    assert.deepEqual([request.reason, request.state, request.order_number], ['broken', 'asked', '71-4480380']);
    assert.equal(await status(marrowby.post(`/returns/${request.id}/messages`, { text: 'A photo, please.' })), 200);
    assert.equal(await status(marrowby.post('/returns/mr0/messages', { text: 'A photo, please.' })), 404);
});

test('a rating has one to five stars and takes one public answer', async () => {
    const [{ data: { rating } }] = await marrowby.eventsOf(() => marrowby.act('rating', { buyer: 'anaw88', of: 'seller', order_number: '71-4480217', stars: '2', text: 'Late.' }));
    assert.deepEqual([rating.of, rating.stars, rating.answer], ['seller', 2, null]);
    assert.equal(await status(marrowby.post(`/ratings/${rating.id}/answer`, { text: 'We are sorry.' }, 'key-a')), 200);
    assert.equal(await status(marrowby.post(`/ratings/${rating.id}/answer`, { text: 'We are sorry.' }, 'key-a')), 200);
    assert.equal(await status(marrowby.post(`/ratings/${rating.id}/answer`, { text: 'Again.' }, 'key-b')), 409);
    assert.equal((await marrowby.look()).ratings.find(({ id }) => id === rating.id).answer.text, 'We are sorry.');
    for (const stars of ['0', '6', 'many', '2.5']) {
        assert.equal((await marrowby.act('rating', { buyer: 'anaw88', stars, text: 'Odd' })).status, 422, stars);
    }
});

test('Quaymart wants an answer within two working days', async () => {
    const due = async (at) => (await quaymart.act('write', { about: 'order', ref: `QM${at}`, code: 'c-1', text: 'When?', at })).entry.due;
    // Thursday, Friday, Saturday, Sunday.
    assert.equal(await due('2026-11-19T08:00:00.000Z'), '2026-11-23T08:00:00.000Z');
    assert.equal(await due('2026-11-20T08:00:00.000Z'), '2026-11-24T08:00:00.000Z');
    assert.equal(await due('2026-11-21T08:00:00.000Z'), '2026-11-24T08:00:00.000Z');
    assert.equal(await due('2026-11-22T08:00:00.000Z'), '2026-11-24T08:00:00.000Z');
});

test('what one customer writes about one thing is one thread, each review its own', async () => {
    const write = (values) => quaymart.act('write', { about: 'order', ref: 'QM20114873', code: 'c-5512', name: 'P. Nowak', text: 'Hello', ...values });
    const first = await write({});
    assert.equal((await write({ text: 'And?' })).id, first.id);
    assert.notEqual((await write({ code: 'c-9999' })).id, first.id);
    assert.notEqual((await write({ about: 'return' })).id, first.id);
    assert.equal((await write({ thread: first.id, about: undefined, ref: undefined })).id, first.id);
    const reviews = [await write({ about: 'review', ref: 'KES-RED', score: '4' }), await write({ about: 'review', ref: 'KES-RED', score: '2' })];
    assert.notEqual(reviews[0].id, reviews[1].id);
    assert.deepEqual(reviews.map(({ score }) => score), [4, 2]);
});

test('a thread that is refused is not begun', async () => {
    const count = async () => (await quaymart.look()).threads.length;
    const before = await count();
    const heard = await quaymart.eventsOf(async () => {
        assert.equal((await quaymart.act('write', { about: 'order', ref: 'QM1', code: 'c-1', text: ' ' })).status, 422);
        assert.equal((await quaymart.act('write', { about: 'order', ref: 'QM1', code: 'c-1', text: 'x'.repeat(2001) })).status, 422);
        assert.equal((await quaymart.act('write', { about: 'weather', ref: 'QM1', code: 'c-1', text: 'Rain?' })).status, 422);
        assert.equal((await quaymart.act('write', { thread: 't0', text: 'Where?' })).status, 404);
    });
    assert.equal(await count(), before);
    assert.deepEqual(heard, []);
});

test('an answer holds no link and no address, and a review takes one', async () => {
    const order = await quaymart.act('write', { about: 'order', ref: 'QM77', code: 'c-7', text: 'Where is it?' });
    for (const text of ['See https://wren.example/1', 'www.brindle.example', 'Write to care@brindle.example', 'HTTP://X.EXAMPLE']) {
        const refused = await quaymart.post(`/threads/${order.id}/entries`, { text });
        assert.equal(refused.status, 422, text);
        assert.equal((await refused.json()).error, 'contact_details');
    }
    assert.equal(await status(quaymart.post(`/threads/${order.id}/entries`, { text: 'Tomorrow @ noon, 3.5 kg' })), 200);
    const review = await quaymart.act('write', { about: 'review', ref: 'KES-RED', code: 'c-7', score: '1', text: 'Broke' });
    assert.equal(await status(quaymart.post(`/threads/${review.id}/entries`, { text: 'Sorry' }, 'r-1')), 200);
    assert.equal(await status(quaymart.post(`/threads/${review.id}/entries`, { text: 'Sorry' }, 'r-1')), 200);
    assert.equal(await status(quaymart.post(`/threads/${review.id}/entries`, { text: 'Sorry again' }, 'r-2')), 409);
    assert.equal(await status(quaymart.post('/threads/t0/entries', { text: 'Hello' })), 404);
});

test('what a customer writes cannot do anything on the console page', async () => {
    await quaymart.act('write', { about: 'order', ref: '<img src=x>', code: 'c-8', name: '<script>1</script>', text: '"><b>bold' });
    await marrowby.act('question', { buyer: '<u>', name: '<script>2</script>', listing: 'KES-RED', text: '<img onerror=1>' });
    for (const page of [await quaymart.page(), await marrowby.page()]) {
        assert.ok(!/<script>\d|<b>bold|<img/.test(page));
    }
});
