// Quaymart: a marketplace where everything is an entry in a thread. Sellers answer within two working
// days, and no answer may hold a link or an email address.
import { table } from '../shared/pages.js';
import { holdPayments } from '../shared/payments.js';
import { Service, refuse } from '../shared/service.js';
import { LISTINGS } from '../world/products.js';

const ACCOUNT = 'BRINDLE';
const ABOUT = ['listing', 'order', 'return', 'review'];

const service = new Service({ name: 'Quaymart', header: 'Quaymart', accounts: [ACCOUNT], seed: () => ({ threads: [] }) });
const { data } = service;
// What was bought here was paid here, and goes back from here.
holdPayments(service, ACCOUNT, ({ sold_on: sold }) => sold?.marketplace === 'Quaymart');

// Monday to Friday; the same time of day two of them later.
function twoWorkingDays(at) {
    const due = new Date(at);
    for (let left = 2; left > 0;) {
        due.setUTCDate(due.getUTCDate() + 1);
        left -= [0, 6].includes(due.getUTCDay()) ? 0 : 1;
    }
    return due.toISOString();
}

function readable(text) {
    return typeof text === 'string' && text.trim() !== '' && [...text].length <= 2000 ? text : refuse(422, 'bad_text', 'An entry has 1 to 2000 characters.');
}

const threadOf = (id) => data.threads.find((thread) => thread.id === id) ?? refuse(404, 'unknown_thread', `There is no thread ${id}.`);

function write({ thread: id, about, ref, code, name, text, score, at }) {
    readable(text);
    let thread = id ? threadOf(id) : data.threads.find((one) => one.about === about && one.ref === ref && one.customer.code === code && about !== 'review');
    if (!thread) {
        const listing = LISTINGS.find((one) => one.sku === ref);
        thread = { id: service.nextId('t'), about: ABOUT.includes(about) ? about : refuse(422, 'bad_about', `A thread is about one of ${ABOUT.join(', ')}.`), ref, title: listing?.title ?? null, customer: { code, name: name || code }, score: about === 'review' ? Number(score || 5) : null, entries: [] };
        data.threads.push(thread);
    }
    const when = at ?? new Date().toISOString();
    const entry = { id: service.nextId('n'), by: 'customer', text, when, due: twoWorkingDays(when) };
    thread.entries.push(entry);
    const { entries, ...head } = thread;
    service.emit(ACCOUNT, 'ENTRY', { thread: head, entry }, when);
    return { ...head, entry };
}

service.act('write', 'Write as a customer', [['about', 'About', { options: ABOUT }], ['ref', 'Listing or order number', { value: 'QM20114873' }], ['code', 'Customer', { value: 'c-5512' }], ['name', 'Name', { value: 'P. Nowak' }], ['score', 'Stars (reviews)', { options: [5, 4, 3, 2, 1] }], ['text', 'Text', { area: true }]], write);
service.on('POST', '/v1/threads/:id/entries', ({ account, id, body, headers }) => service.once({ account, headers }, () => {
    const thread = threadOf(id);
    const text = readable(body.text);
    if (/https?:\/\/|www\.|\S+@\S+\.\S+/i.test(text)) {
        refuse(422, 'contact_details', 'No links and no email addresses are allowed.');
    }
    if (thread.about === 'review' && thread.entries.some(({ by }) => by === 'seller')) {
        refuse(409, 'answered', 'A review takes one answer.');
    }
    const entry = { id: service.nextId('n'), by: 'seller', text, when: new Date().toISOString() };
    thread.entries.push(entry);
    return entry;
}));
service.describe = () => `<h2>Threads</h2>${table(['Id', 'About', 'Customer', 'Entries'], data.threads.map((thread) => [thread.id, `${thread.about} ${thread.ref}${thread.score ? `, ${thread.score} stars` : ''}`, thread.customer.name, thread.entries.map(({ by, text }) => `${by}: ${text}`).join(' / ')]).reverse())}`;
service.listen();
