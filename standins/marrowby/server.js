// Marrowby: a marketplace. Questions on a listing before buying, messages about an order, return
// requests, ratings of product and seller with one public answer. Sellers answer within 24 hours.
import { table } from '../shared/pages.js';
import { holdPayments } from '../shared/payments.js';
import { Service, refuse } from '../shared/service.js';
import { LISTINGS } from '../world/products.js';

const ACCOUNT = 'brindle-kites';
const DAY = 86_400_000;

const service = new Service({
    name: 'Marrowby',
    header: 'Marrowby',
    accounts: [ACCOUNT],
    seed: () => ({ questions: [], orders: {}, requests: [], ratings: [] }),
});
const { data } = service;
// What was bought here was paid here, and goes back from here.
holdPayments(service, ACCOUNT, ({ sold_on: sold }) => sold?.marketplace === 'Marrowby');

const readable = (text) => (typeof text === 'string' && text.trim() !== '' && [...text].length <= 4000 ? text : refuse(422, 'bad_text', 'A message has 1 to 4000 characters.'));
const orderNumber = (number) => number || refuse(422, 'no_order', 'Say which order it is about.');
const starsOf = (stars) => ([1, 2, 3, 4, 5].includes(Number(stars)) ? Number(stars) : refuse(422, 'bad_stars', 'A rating has 1 to 5 stars.'));
const buyerOf = ({ buyer, name }) => ({ id: buyer, name: name || buyer });
const answerBy = (at) => new Date(Date.parse(at) + DAY).toISOString();
const listingOf = (sku) => {
    const listing = LISTINGS.find((one) => one.sku === sku) ?? LISTINGS[0];
    return { id: listing.sku, title: listing.title, url: `https://marrowby.example/l/${listing.sku.toLowerCase()}` };
};
const find = (list, id, what) => list.find((one) => one.id === id) ?? refuse(404, 'unknown', `There is no ${what} ${id}.`);

service.act('question', 'Ask about a listing', [['buyer', 'Buyer', { value: 'anaw88' }], ['name', 'Name', { value: 'Ana W.' }], ['listing', 'Listing', { options: LISTINGS.map(({ sku }) => sku) }], ['text', 'Text', { area: true }]], (values) => {
    const askedAt = values.at ?? new Date().toISOString();
    const question = { id: service.nextId('mq'), listing: listingOf(values.listing), buyer: buyerOf(values), text: readable(values.text), asked_at: askedAt, answer_by: answerBy(askedAt), answers: [] };
    data.questions.push(question);
    service.emit(ACCOUNT, 'question.asked', { question }, askedAt);
    return question;
});
service.act('order-message', 'Write about an order', [['buyer', 'Buyer', { value: 'anaw88' }], ['name', 'Name', { value: 'Ana W.' }], ['order_number', 'Order number', { value: '71-4480217' }], ['text', 'Text', { area: true }]], (values) => {
    const sentAt = values.at ?? new Date().toISOString();
    const message = { id: service.nextId('mm'), order_number: orderNumber(values.order_number), buyer: buyerOf(values), text: readable(values.text), sent_at: sentAt, answer_by: answerBy(sentAt), from: 'buyer' };
    (data.orders[values.order_number] ??= []).push(message);
    service.emit(ACCOUNT, 'order.message', { message }, sentAt);
    return message;
});
service.act('return-request', 'Ask for a return', [['buyer', 'Buyer', { value: 'anaw88' }], ['name', 'Name', { value: 'Ana W.' }], ['order_number', 'Order number', { value: '71-4480217' }], ['reason', 'Reason', { options: ['does not fit', 'broken', 'not as described', 'too late', 'changed my mind'] }], ['text', 'Text', { area: true }]], (values) => {
    const askedAt = values.at ?? new Date().toISOString();
    const request = { id: service.nextId('mr'), order_number: orderNumber(values.order_number), buyer: buyerOf(values), reason: values.reason, text: values.text ?? '', asked_at: askedAt, answer_by: answerBy(askedAt), state: 'asked', messages: [] };
    data.requests.push(request);
    service.emit(ACCOUNT, 'return.requested', { request }, askedAt);
    return request;
});
service.act('rating', 'Rate', [['buyer', 'Buyer', { value: 'anaw88' }], ['name', 'Name', { value: 'Ana W.' }], ['of', 'What', { options: ['product', 'seller'] }], ['listing', 'Listing', { options: LISTINGS.map(({ sku }) => sku) }], ['order_number', 'Order number', { value: '71-4480217' }], ['stars', 'Stars', { options: [5, 4, 3, 2, 1] }], ['text', 'Text', { area: true }]], (values) => {
    const ratedAt = values.at ?? new Date().toISOString();
    const rating = { id: service.nextId('mg'), of: values.of || 'product', listing: listingOf(values.listing), order_number: values.order_number || null, stars: starsOf(values.stars ?? 5), text: values.text ?? '', buyer: buyerOf(values), rated_at: ratedAt, answer: null };
    data.ratings.push(rating);
    service.emit(ACCOUNT, 'rating.left', { rating }, ratedAt);
    return rating;
});

service.on('POST', '/v1/questions/:id/answers', ({ account, id, body, headers }) => service.once({ account, headers }, () => {
    const answer = { id: service.nextId('ma'), text: readable(body.text), at: new Date().toISOString() };
    find(data.questions, id, 'question').answers.push(answer);
    return answer;
}));
service.on('POST', '/v1/orders/:number/messages', ({ account, number, body, headers }) => service.once({ account, headers }, () => {
    const message = { id: service.nextId('mm'), order_number: number, text: readable(body.text), sent_at: new Date().toISOString(), from: 'seller' };
    (data.orders[number] ?? refuse(404, 'unknown', `There are no messages about order ${number}.`)).push(message);
    return message;
}));
service.on('POST', '/v1/returns/:id/messages', ({ account, id, body, headers }) => service.once({ account, headers }, () => {
    const message = { id: service.nextId('mm'), text: readable(body.text), sent_at: new Date().toISOString(), from: 'seller' };
    find(data.requests, id, 'return request').messages.push(message);
    return message;
}));
service.on('POST', '/v1/ratings/:id/answer', ({ account, id, body, headers }) => service.once({ account, headers }, () => {
    const rating = find(data.ratings, id, 'rating');
    if (rating.answer) {
        refuse(409, 'answered', 'This rating has been answered. One public answer is allowed.');
    }
    rating.answer = { id: service.nextId('ma'), text: readable(body.text), at: new Date().toISOString() };
    return rating.answer;
}));
service.describe = () => `<h2>About orders</h2>${table(['Order', 'From', 'Text'], Object.values(data.orders).flat().map((message) => [message.order_number, message.from === 'seller' ? 'the store' : message.buyer.name, message.text]).reverse())}
<h2>Questions</h2>${table(['Listing', 'By', 'Text', 'Answers'], data.questions.map((question) => [question.listing.title, question.buyer.name, question.text, question.answers.map(({ text }) => text).join(' / ')]).reverse())}
<h2>Return requests</h2>${table(['Order', 'By', 'Reason', 'Text', 'Messages'], data.requests.map((request) => [request.order_number, request.buyer.name, request.reason, request.text, request.messages.map(({ text }) => text).join(' / ')]).reverse())}
<h2>Ratings</h2>${table(['Of', 'By', 'Stars', 'Text', 'Answer'], data.ratings.map((rating) => [rating.of, rating.buyer.name, rating.stars, rating.text, rating.answer?.text ?? '']).reverse())}`;
service.listen();
