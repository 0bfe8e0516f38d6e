import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { Standin } from './standin.js';

const shop = new Standin('shop', 'brindle');
const carrier = new Standin('wren-parcel', 'brindle');

before(() => Promise.all([shop.start(), carrier.start()]));
after(() => Promise.all([shop.end(), carrier.end()]));

const orderOf = async (number) => (await (await shop.api(`/orders/${number}`)).json()).order;

async function allEvents(standin) {
    const all = [];
    let from = '';
    for (let more = true; more;) {
        const page = await standin.events(from, 150);
        all.push(...page.events);
        ({ next: from, more } = page);
    }
    return all;
}

test('every order adds up to the cent', async () => {
    const { orders } = await shop.look();
    assert.ok(orders.length > 300);
    for (const order of orders) {
        const goods = order.lines.reduce((sum, line) => sum + line.unit_price * line.quantity - line.discount, 0);
        assert.equal(goods - order.order_discount + order.shipping.amount, order.total, order.number);
        assert.equal(order.payments.reduce((sum, payment) => sum + payment.captured, 0), order.total, order.number);
        for (const amount of [order.total, order.order_discount, order.shipping.amount, ...order.lines.flatMap((line) => [line.unit_price, line.discount, line.refunded])]) {
            assert.ok(Number.isInteger(amount) && amount >= 0, `${order.number}: ${amount}`);
        }
    }
});

test('no order gives more back than was paid, nor takes more back than was sent', async () => {
    for (const order of (await shop.look()).orders) {
        for (const payment of order.payments) {
            assert.ok(payment.refunded <= payment.captured, order.number);
        }
        for (const line of order.lines) {
            assert.ok(line.refunded <= line.unit_price * line.quantity - line.discount, `${order.number} ${line.id}`);
            assert.ok(line.returned <= line.sent && line.sent <= line.quantity, `${order.number} ${line.id}`);
        }
    }
});

test('numbers are given once', async () => {
    const { orders } = await shop.look();
    assert.equal(new Set(orders.map(({ number }) => number)).size, orders.length);
    assert.equal(new Set(orders.flatMap(({ lines }) => lines.map(({ id }) => id))).size, orders.flatMap(({ lines }) => lines).length);
    const { parcels } = await carrier.look();
    assert.equal(new Set(parcels.map(({ number }) => number)).size, parcels.length);
});

test('the carrier knows each parcel that the shop has sent, and its scans are in the order of time', async () => {
    const known = new Map((await carrier.look()).parcels.map((parcel) => [parcel.number, parcel]));
    for (const order of (await shop.look()).orders) {
        for (const { number } of order.parcels) {
            const times = known.get(number)?.scans.map(({ at }) => at) ?? [];
            assert.ok(times.length > 0, `${order.number}: ${number}`);
            assert.deepEqual(times, [...times].sort(), number);
            assert.ok(times[0] >= order.placed_at, `${order.number} was collected before it was placed`);
        }
    }
});

test('a new listener hears of every order and product, and of nothing twice', async () => {
    const events = await allEvents(shop);
    const { orders, products } = await shop.look();
    const of = (type) => events.filter((event) => event.type === type);
    assert.deepEqual(new Set(of('order.changed').map(({ data }) => data.order.number)), new Set(orders.map(({ number }) => number)));
    assert.equal(of('order.changed').length, orders.length);
    assert.equal(of('product.changed').length, products.length);
    assert.equal(new Set(events.map(({ id }) => id)).size, events.length);
});

test('an order that is sent tells its parcel, and sending it again changes nothing but its version', async () => {
    const before = await orderOf('B-20440');
    const heard = await shop.eventsOf(async () => {
        await shop.act('send', { number: 'B-20440', parcel: 'WP7720440' });
        await shop.act('send', { number: 'B-20440', parcel: 'WP7720440' });
    });
    assert.deepEqual(heard.map(({ data }) => data.order.version), [before.version + 1, before.version + 2]);
    const after = await orderOf('B-20440');
    assert.deepEqual([after.status, after.parcels], ['sent', [{ carrier: 'Wren Parcel', number: 'WP7720440' }]]);
    assert.ok(after.lines.every(({ sent, quantity }) => sent === quantity));
    assert.equal((await shop.act('send', { number: 'B-0', parcel: 'WP1' })).status, 404);
});

test('money is given back up to what is left of a line, and not a cent more', async () => {
    const { lines: [line], payments, version } = await orderOf('B-20436');
    const left = line.unit_price * line.quantity - line.discount - line.refunded;
    const refund = (amount) => shop.act('refund', { number: 'B-20436', line: line.id, amount });
    for (const amount of ['abc', '-1', '0', '1.5', '', String(left + 1)]) {
        assert.equal((await refund(amount)).status, 422, amount);
    }
    assert.equal((await orderOf('B-20436')).version, version);
    assert.equal((await refund('100')).status, 200);
    assert.equal((await refund(String(left - 100))).status, 200);
    const after = await orderOf('B-20436');
    assert.equal(after.lines[0].refunded, line.refunded + left);
    assert.equal(after.payments.at(-1).refunded, payments.at(-1).refunded + left);
    assert.equal((await refund('1')).status, 422);
    assert.equal((await shop.act('refund', { number: 'B-20436', line: 'none', amount: '1' })).status, 404);
});

test('an address is changed and a stock set, and both are told', async () => {
    const heard = await shop.eventsOf(async () => {
        await shop.act('address', { number: 'B-20440', line: '14 Orchard Row' });
        await shop.act('stock', { sku: 'KES-RED', stock: '3' });
    });
    assert.equal(heard[0].data.order.customer.address.lines[0], '14 Orchard Row');
    assert.deepEqual([heard[1].data.product.sku, heard[1].data.product.stock], ['KES-RED', 3]);
    for (const stock of ['-1', 'many', '2.5']) {
        assert.equal((await shop.act('stock', { sku: 'KES-RED', stock })).status, 422, stock);
    }
    assert.equal((await (await shop.api('/products/KES-RED')).json()).product.stock, 3);
    assert.equal((await shop.api('/products/NONE')).status, 404);
});

test('odd orders are told of, and the shop’s own stay whole', async () => {
    const before = (await shop.look()).orders.length;
    const kinds = ['unknown currency', 'without lines', 'name of 500 characters', 'right to left', 'emoji only'];
    const heard = await shop.eventsOf(async () => {
        for (const kind of kinds) {
            await shop.act('odd-order', { kind });
        }
    });
    assert.equal(heard.length, kinds.length);
    assert.equal(new Set(heard.map(({ data }) => data.order.number)).size, kinds.length);
    assert.equal(heard[1].data.order.lines, undefined);
    assert.equal(heard[2].data.order.customer.name.length, 500);
    assert.equal((await shop.look()).orders.length, before);
});

test('a scan is told with its place, of a parcel that nobody knew, too', async () => {
    const [{ type, data }] = await carrier.eventsOf(() => carrier.act('scan', { number: 'WP1000001', stage: 'collected', place: 'Aarhus', at: '2026-11-20T10:00:00.000Z' }));
    assert.equal(type, 'parcel.scanned');
    assert.deepEqual([data.parcel, data.scan.stage, data.scan.place, data.scan.at], ['WP1000001', 'collected', 'Aarhus', '2026-11-20T10:00:00.000Z']);
    const { parcel } = await (await carrier.api('/parcels/WP1000001')).json();
    assert.equal(parcel.scans.length, 1);
});

test('a stage that there is not makes no parcel', async () => {
    assert.equal((await carrier.act('scan', { number: 'WP1000002', stage: 'beamed', place: 'Aarhus' })).status, 422);
    assert.equal((await carrier.api('/parcels/WP1000002')).status, 404);
    assert.equal((await carrier.act('scan', { stage: 'collected' })).status, 422);
});

test('a label is made once for one key, and its parcel waits for its first scan', async () => {
    const label = async (key) => (await carrier.post('/labels', { to: { name: 'Brindle' }, from: { name: 'Ana Wrenfield (2nd floor)', country: 'DK' }, reference: 'R-0001' }, key)).json();
    const [first, again, other] = [await label('l-1'), await label('l-1'), await label('l-2')];
    assert.deepEqual(again, first);
    assert.notEqual(other.number, first.number);
    const { parcel } = await (await carrier.api(`/parcels/${first.number}`)).json();
    assert.deepEqual([parcel.to, parcel.scans], [{ name: 'Brindle' }, []]);
    const pdf = Buffer.from(first.pdf, 'base64').toString('latin1');
    assert.match(pdf, /^%PDF-1\.4/);
    assert.ok(pdf.includes(`(${first.number}) Tj`) && pdf.includes('(Ana Wrenfield \\(2nd floor\\)) Tj') && pdf.includes('%%EOF'));
    // Start, eleven characters or fewer in pairs, checksum and stop: as many bars as Code 128 has for it.
    assert.ok((pdf.match(/ re f/g) ?? []).length > 20);
});

test('no label is made for a country where nothing is collected', async () => {
    const answer = await carrier.post('/labels', { to: {}, from: { name: 'Kofi', country: 'GH' } }, 'l-3');
    assert.deepEqual([answer.status, (await answer.json()).error], [422, 'country_not_served']);
});

test('a credit is given once for one key, used up to what is left, and lapses once', async () => {
    const give = async (key, amount = 2500) => shop.post('/credits', { amount, currency: 'EUR', reference: 'p-1' }, key);
    const [first, again] = [await (await give('c-1')).json(), await (await give('c-1')).json()];
    assert.deepEqual(again, first);
    assert.equal((await give('c-2', 0)).status, 422);
    const { code } = first.credit;
    const use = (amount) => shop.act('use-credit', { code, amount, order: 'B-20440' });
    const heard = await shop.eventsOf(async () => {
        assert.equal((await use('1000')).status, 200);
        assert.equal((await use('1501')).status, 422);
        assert.equal((await shop.act('lapse-credit', { code })).status, 200);
        assert.equal((await shop.act('lapse-credit', { code })).status, 422);
    });
    assert.deepEqual(heard.map(({ type }) => type), ['credit.changed', 'credit.changed']);
    const { credit } = await (await shop.api(`/credits/${code}`)).json();
    assert.deepEqual(credit.entries.map(({ kind, amount }) => [kind, amount]), [['given', 2500], ['used', -1000], ['lapsed', -1500]]);
    assert.equal((await shop.api('/credits/NONE')).status, 404);
});

test('what came back counts once, goes back to stock, and never exceeds what was sold', async () => {
    const before = await orderOf('B-20437');
    const [line] = before.lines;
    const stockOf = async () => (await (await shop.api(`/products/${line.sku}`)).json()).product.stock;
    const stock = await stockOf();
    const back = (key, quantity, pieces, id = line.id) => shop.post('/orders/B-20437/returns', { reference: 'R-0001', lines: [{ id, quantity, stock: pieces }] }, key);
    assert.equal((await back('r-1', 1, 1)).status, 200);
    assert.equal((await back('r-1', 1, 1)).status, 200);
    assert.deepEqual([(await orderOf('B-20437')).lines[0].returned, await stockOf()], [line.returned + 1, stock + 1]);
    for (const [quantity, pieces, id] of [[line.quantity, 0], [0, 0], [1, 2], [1, -1], [1, 0, 'none']]) {
        assert.equal((await back(`r-${quantity}-${pieces}-${id}`, quantity, pieces, id)).status, 422);
    }
});

test('one day’s orders are the same in every process', async () => {
    const second = new Standin('shop', 'brindle');
    await second.start();
    try {
        const untouched = (orders) => orders.filter(({ version }) => version === 1).slice(0, 200);
        const mine = new Map((await second.look()).orders.map((order) => [order.number, order]));
        for (const order of untouched((await shop.look()).orders)) {
            assert.deepEqual(order, mine.get(order.number));
        }
    } finally {
        await second.end();
    }
});

test('goods in place of others are an order of their own, whose goods are reserved, and which is cancelled while it has not left', async () => {
    const stockOf = async (sku) => (await (await shop.api(`/products/${sku}`)).json()).product.stock;
    const stock = await stockOf('DUN-STD');
    const ask = (key, lines, more = {}) => shop.post('/orders', { instead_of: 'B-20436', lines, kept: 4900, to_pay: 0, ...more }, key);
    const one = [{ sku: 'DUN-STD', quantity: 1, unit_price: 4900 }];
    const [first, again] = [await (await ask('x-1', one)).json(), await (await ask('x-1', one)).json()];
    assert.deepEqual(again, first);
    assert.equal(await stockOf('DUN-STD'), stock - 1);
    assert.deepEqual([first.order.status, first.order.payments[0].captured, first.payment_link], ['paid', 4900, null]);
    const tooMany = await ask('x-2', [{ sku: 'MER-TEA', quantity: 1, unit_price: 0 }]);
    assert.deepEqual([tooMany.status, (await tooMany.json()).error], [422, 'out_of_stock']);
    const { order, payment_link: link } = await (await ask('x-3', one, { to_pay: 700 })).json();
    assert.ok(order.status === 'unpaid' && link.endsWith(order.number));
    assert.equal((await shop.act('pay', { number: order.number })).status, 200);
    assert.equal((await shop.act('pay', { number: order.number })).status, 422);
    assert.equal((await shop.post(`/orders/${first.order.number}/address`, { lines: ['Havnevej 1'], country: 'DK' }, 'order-a-1')).status, 200);
    assert.equal((await shop.post(`/orders/${first.order.number}/cancel`, {}, 'order-c-1')).status, 200);
    assert.equal(await stockOf('DUN-STD'), stock - 1);
    assert.equal((await shop.post(`/orders/${first.order.number}/cancel`, {}, 'order-c-2')).status, 409);
    assert.equal((await shop.post('/orders/B-20436/cancel', {}, 'order-c-3')).status, 409);
});
