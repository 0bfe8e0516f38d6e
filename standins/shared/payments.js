// What holds customers' money and gives it back: the payment provider for what the shop sold, each marketplace for its own. Refunds go
// through after a while, fail, or are refused; a book of all of them is kept, by which the other side can reconcile.
import { refuse } from './service.js';
import { orders } from '../world/orders.js';

const USUAL_SECONDS = Number(process.env.STANDIN_SETTLES_AFTER ?? 2);
const REASONS = ['The bank of the card refuses it.', 'The account is closed.'];

// of: which orders were paid there.
export function seedPayments(of) {
    const paid = orders().filter(of);
    const payments = paid.flatMap((order) => order.payments.filter(({ kind }) => kind === 'card').map((payment) => ({
        id: payment.id, order: order.number, label: payment.label, currency: order.currency, captured: payment.captured, card: 'there', captured_at: order.placed_at,
    })));
    const refunds = paid.flatMap((order) => order.payments.filter(({ kind, refunded }) => kind === 'card' && refunded > 0).map((payment) => ({
        id: `rf_${payment.id}`, payment: payment.id, amount: payment.refunded, currency: order.currency, reference: null, by: 'shop', state: 'done', reason: null, asked_at: order.placed_at, settled_at: order.placed_at,
    })));
    return { payments, refunds, settings: { seconds: USUAL_SECONDS, fails: 0 } };
}

export const money = ({ amount, currency }) => `${(amount / 100).toFixed(2)} ${currency}`;

// Adds to a service all that gives money back.
export function holdPayments(service, ACCOUNT, of) {
    const { data } = service;
    // An installation that began before it held any.
    data.payments ?? Object.assign(data, seedPayments(of));

    const paymentOf = (id) => data.payments.find((payment) => payment.id === id) ?? refuse(404, 'unknown_payment', `There is no payment ${id}.`);
    // What failed has not gone back.
    const refundsOf = ({ id }) => data.refunds.filter(({ payment, state }) => payment === id && state !== 'failed');
    const given = (payment) => refundsOf(payment).reduce((sum, { amount }) => sum + amount, 0);
    const shown = (payment) => ({ ...payment, refunded: given(payment), refunds: data.refunds.filter((refund) => refund.payment === payment.id) });

    function settle(refund) {
        if (refund.state !== 'pending') {
            return;
        }
        const fails = data.settings.fails > 0;
        data.settings.fails -= fails ? 1 : 0;
        refund.state = fails ? 'failed' : 'done';
        refund.reason = fails ? REASONS[data.settings.fails % REASONS.length] : null;
        refund.settled_at = new Date().toISOString();
        service.emit(ACCOUNT, 'refund.changed', { refund });
    }

    const settleLater = (refund) => setTimeout(() => settle(refund), Math.max(0, Date.parse(refund.settles_at) - Date.now()));

    function begin(payment, { amount, reference, by }) {
        const left = payment.captured - given(payment);
        if (!Number.isInteger(amount) || amount < 1) {
            refuse(422, 'bad_amount', 'An amount is a whole number of smallest units, 1 or more.');
        }
        if (payment.card === 'gone') {
            refuse(422, 'card_gone', 'The card has expired or is closed: nothing can be given back to it.');
        }
        if (amount > left) {
            refuse(422, 'over_captured', `Of this payment ${left} can still be given back.`);
        }
        const now = Date.now();
        const refund = {
            id: service.nextId('rf_'), payment: payment.id, amount, currency: payment.currency, reference: reference ?? null, by, state: 'pending', reason: null,
            asked_at: new Date(now).toISOString(), settles_at: new Date(now + data.settings.seconds * 1000).toISOString(), settled_at: null,
        };
        data.refunds.push(refund);
        settleLater(refund);
        return refund;
    }

    // What was on its way when the process ended goes on.
    data.refunds.filter(({ state }) => state === 'pending').forEach(settleLater);

    service.on('GET', '/v1/payments/:id', ({ id }) => ({ payment: shown(paymentOf(id)) }));
    service.on('POST', '/v1/refunds', ({ account, body, headers }) => service.once({ account, headers }, () => {
        const payment = paymentOf(body.payment);
        if (body.currency !== payment.currency) {
            refuse(422, 'other_currency', `The payment was made in ${payment.currency}.`);
        }
        return { refund: begin(payment, { ...body, by: 'api' }) };
    }));
    service.on('GET', '/v1/refunds/:id', ({ id }) => ({ refund: data.refunds.find((refund) => refund.id === id) ?? refuse(404, 'unknown_refund', `There is no refund ${id}.`) }));
    // The book: everything asked for in a span of time, the oldest first.
    service.on('GET', '/v1/book', ({ query }) => {
        const [from, until] = ['from', 'until'].map((name) => Date.parse(query.get(name) ?? ''));
        if (Number.isNaN(from) || Number.isNaN(until)) {
            refuse(422, 'bad_span', 'The book is asked for with from and until.');
        }
        const after = Number(query.get('after') || 0);
        const entries = data.refunds.filter(({ asked_at: asked }) => Date.parse(asked) >= from && Date.parse(asked) < until);
        const page = entries.slice(after, after + 100);
        return { refunds: page, next: String(after + page.length), more: after + page.length < entries.length };
    });

    service.act('refund', 'Give money back here, past the shop', [['payment', 'Payment', { value: 'pay-20417-c' }], ['amount', 'Smallest units', { value: '500' }]], ({ payment, amount }) => begin(paymentOf(payment), { amount: Number(amount), by: 'hand' }));
    // What was given back on an earlier day, and is through: the demo store tells its past with it.
    service.act('book', 'Write down what was given back before', [['payment', 'Payment', { value: 'pay-20417-c' }], ['amount', 'Smallest units', { value: '500' }], ['reference', 'Reference', { value: '' }], ['at', 'When', { value: new Date().toISOString() }]], ({ payment: id, amount, reference, at }) => {
        const when = new Date(at);
        const payment = paymentOf(id);
        if (Number.isNaN(when.getTime()) || !(Number(amount) >= 1 && Number(amount) <= payment.captured - given(payment))) {
            refuse(422, 'bad_entry', 'An entry of the book has a time, and an amount of what is left of the payment.');
        }
        const refund = {
            id: service.nextId('rf_'), payment: id, amount: Number(amount), currency: payment.currency, reference: reference || null, by: 'api', state: 'done', reason: null,
            asked_at: when.toISOString(), settles_at: when.toISOString(), settled_at: new Date(when.getTime() + 4000).toISOString(),
        };
        data.refunds.push(refund);
        service.emit(ACCOUNT, 'refund.changed', { refund }, when.toISOString());
        return { refund };
    });
    service.act('card', 'What becomes of a card', [['payment', 'Payment', { value: 'pay-20417-c' }], ['card', 'The card', { options: ['there', 'gone'] }]], ({ payment, card }) => {
        if (!['there', 'gone'].includes(card)) {
            refuse(422, 'bad_card', 'A card is there or gone.');
        }
        paymentOf(payment).card = card;
        return { payment, card };
    });
    service.act('settings', 'How refunds go', [['seconds', 'Seconds until one is through', { value: String(USUAL_SECONDS) }], ['fails', 'How many of the next fail', { value: '0' }]], ({ seconds, fails }) => {
        const numbers = [seconds, fails].map(Number);
        if (!numbers.every((number) => number >= 0 && number <= 1_000_000)) {
            refuse(422, 'bad_number', 'Seconds and failures are numbers from 0.');
        }
        data.settings = { seconds: numbers[0], fails: Math.floor(numbers[1]) };
        return data.settings;
    });
}
