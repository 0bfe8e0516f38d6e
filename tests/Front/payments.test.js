import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { Standin, until } from './standin.js';

const tollgate = new Standin('tollgate', 'brindle', { STANDIN_SETTLES_AFTER: '0.1', STANDIN_LATE: '300' });
const shop = new Standin('shop', 'brindle');

before(() => Promise.all([tollgate.start(), shop.start()]));
after(() => Promise.all([tollgate.end(), shop.end()]));

const paymentOf = async (id) => (await (await tollgate.api(`/payments/${id}`)).json()).payment;
const refundOf = async (id) => (await (await tollgate.api(`/refunds/${id}`)).json()).refund;
const settled = (id) => until(`${id} to be settled`, async () => {
    const refund = await refundOf(id);
    return refund.state === 'pending' ? null : refund;
});
const giveBack = (payment, amount, key = null, more = {}) => tollgate.post('/refunds', { payment, amount, currency: 'EUR', reference: 'R-1', ...more }, key);

async function anyPayment(least = 5000) {
    const { payments, refunds } = await tollgate.look();
    return payments.find(({ id, captured, card }) => captured >= least && card === 'there' && !refunds.some(({ payment }) => payment === id));
}

test('it holds what the shop took by card, and what went back of it', async () => {
    const { payments, refunds } = await tollgate.look();
    const { orders } = await shop.look();
    const byCard = orders.filter(({ sold_on: sold }) => !sold).flatMap((order) => order.payments.filter(({ kind }) => kind === 'card'));
    assert.deepEqual(payments.map(({ id, captured }) => [id, captured]), byCard.map(({ id, captured }) => [id, captured]));
    for (const { id, refunded } of byCard) {
        assert.equal(refunds.filter(({ payment }) => payment === id).reduce((sum, { amount }) => sum + amount, 0), refunded, id);
    }
});

test('money goes back after a while, is told, and never more than was taken', async () => {
    const { id, captured } = await anyPayment();
    const events = await tollgate.eventsOf(async () => {
        const { refund } = await (await giveBack(id, captured - 100)).json();
        assert.equal(refund.state, 'pending');
        assert.equal((await giveBack(id, 101)).status, 422);
        assert.equal((await settled(refund.id)).state, 'done');
    });
    assert.deepEqual(events.map(({ type, data }) => [type, data.refund.amount, data.refund.reference]), [['refund.changed', captured - 100, 'R-1']]);
    assert.equal((await paymentOf(id)).refunded, captured - 100);
    const refused = await giveBack(id, 101);
    assert.equal(refused.status, 422);
    assert.equal((await refused.json()).error, 'over_captured');
});

test('one key gives back once, whether the answer was lost, late or heard', async () => {
    const { id } = await anyPayment();
    for (const fault of ['answer_lost', 'answer_late']) {
        await tollgate.fault(fault, 1);
        const first = await giveBack(id, 700, `once-${fault}`).then((response) => response.json(), () => null);
        assert.equal(first === null, fault === 'answer_lost');
        const again = await (await giveBack(id, 700, `once-${fault}`)).json();
        assert.equal(again.refund.amount, 700);
        first === null || assert.equal(again.refund.id, first.refund.id);
    }
    assert.equal((await paymentOf(id)).refunded, 1400);
});

test('what fails has not gone back, and can be asked for again', async () => {
    const { id } = await anyPayment();
    await tollgate.act('settings', { seconds: '0.1', fails: '1' });
    const failed = await settled((await (await giveBack(id, 900)).json()).refund.id);
    assert.equal(failed.state, 'failed');
    assert.match(failed.reason, /\.$/);
    assert.equal((await paymentOf(id)).refunded, 0);
    assert.equal((await settled((await (await giveBack(id, 900)).json()).refund.id)).state, 'done');
});

test('to a card that is gone nothing goes back, nor in another currency, nor to what is not there', async () => {
    const { id } = await anyPayment();
    await tollgate.act('card', { payment: id, card: 'gone' });
    assert.equal((await (await giveBack(id, 100)).json()).error, 'card_gone');
    await tollgate.act('card', { payment: id, card: 'there' });
    assert.equal((await (await giveBack(id, 100, null, { currency: 'DKK' })).json()).error, 'other_currency');
    for (const amount of [0, -5, 1.5, '100', null]) {
        assert.equal((await (await giveBack(id, amount)).json()).error, 'bad_amount');
    }
    assert.equal((await giveBack('pay-none', 100)).status, 404);
    assert.equal((await paymentOf(id)).refunded, 0);
});

test('what is given back by hand stands in the book with the rest, page by page', async () => {
    const from = new Date().toISOString();
    const { id } = await anyPayment();
    await tollgate.act('refund', { payment: id, amount: '250' });
    for (let count = 0; count < 101; count += 1) {
        assert.equal((await giveBack(id, 1)).status, 200);
    }
    const book = async (after) => (await tollgate.api(`/book?from=${from}&until=2100-01-01T00:00:00Z&after=${after}`)).json();
    const first = await book(0);
    assert.deepEqual([first.refunds.length, first.more, first.refunds[0].by], [100, true, 'hand']);
    const second = await book(first.next);
    assert.deepEqual([second.refunds.length, second.more], [2, false]);
    assert.equal((await tollgate.api('/book?from=yesterday')).status, 422);
});

test('what was on its way when it was stopped goes on', async () => {
    const { id } = await anyPayment();
    await tollgate.act('settings', { seconds: '1', fails: '0' });
    const { refund } = await (await giveBack(id, 300)).json();
    await tollgate.stop();
    await tollgate.start();
    assert.equal((await settled(refund.id)).state, 'done');
});
