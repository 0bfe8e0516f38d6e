// The store's own shop: products with stock, and orders with lines, discounts, taxes, delivery,
// payments and what became of them. All money in smallest units.
import { table } from '../shared/pages.js';
import { Service, refuse } from '../shared/service.js';
import { orders } from '../world/orders.js';
import { PRODUCTS } from '../world/products.js';

const ACCOUNT = 'brindle';

const service = new Service({ name: 'Brindle shop', header: 'Shop', accounts: [ACCOUNT], seed: () => ({ credits: [], orders: orders().map(({ parcelsFull, ...order }) => order), products: structuredClone(PRODUCTS) }) });
const { data } = service;
// An installation that began before there were any.
data.credits ??= [];

if (data.events.length === 0) {
    for (const product of data.products) {
        service.emit(ACCOUNT, 'product.changed', { product });
    }
    for (const order of data.orders) {
        service.emit(ACCOUNT, 'order.changed', { order }, order.placed_at);
    }
}

const orderOf = (number) => data.orders.find((order) => order.number === number) ?? refuse(404, 'unknown_order', `There is no order ${number}.`);

function wholeNumber(text, least, most, what) {
    const number = /^\d+$/.test(text ?? '') ? Number(text) : -1;
    return number >= least && number <= most ? number : refuse(422, 'bad_number', `${what}: a whole number from ${least} to ${most}.`);
}

function changed(order) {
    order.version += 1;
    order.updated_at = new Date().toISOString();
    service.emit(ACCOUNT, 'order.changed', { order });
    return order;
}

service.on('GET', '/v1/orders/:number', ({ number }) => ({ order: orderOf(number) }));
service.on('GET', '/v1/products/:sku', ({ sku }) => ({ product: data.products.find((product) => product.sku === sku) ?? refuse(404, 'unknown_product', `There is no product ${sku}.`) }));
service.on('GET', '/v1/products', () => ({ products: data.products }));

// Money that was given back elsewhere, told so that this book agrees; what was paid by gift card is put back on it.
service.on('POST', '/v1/orders/:number/refunds', ({ account, body, headers, number }) => service.once({ account, headers }, () => {
    const order = orderOf(number);
    const parts = [...(body.lines ?? []).map(({ id, amount }) => [order.lines.find((line) => line.id === id), amount, ({ unit_price: price, quantity, discount }) => price * quantity - discount]), ...(body.payments ?? []).map(({ id, amount }) => [order.payments.find((payment) => payment.id === id), amount, ({ captured }) => captured]), [order.shipping, body.shipping ?? 0, ({ amount }) => amount]];
    for (const [part, amount, most] of parts) {
        if (!part || !Number.isInteger(amount) || amount < 0 || part.refunded + amount > most(part)) {
            refuse(422, 'bad_refund', 'A refund names lines and payments of the order, with what is left of each at most.');
        }
    }
    for (const [part, amount] of parts) {
        part.refunded += amount;
    }
    return { order: changed(order) };
}));

// What came back, told so that its lines count as returned; what can be sold again goes back to stock.
service.on('POST', '/v1/orders/:number/returns', ({ account, body, headers, number }) => service.once({ account, headers }, () => {
    const order = orderOf(number);
    const parts = (body.lines ?? []).map(({ id, quantity, stock }) => [order.lines.find((line) => line.id === id), quantity, stock]);
    for (const [line, quantity, stock] of parts) {
        if (!line || !Number.isInteger(quantity) || quantity < 1 || line.returned + quantity > line.quantity || !Number.isInteger(stock) || stock < 0 || stock > quantity) {
            refuse(422, 'bad_return', 'A return names lines of the order, with what is left of each at most.');
        }
    }
    for (const [line, quantity, stock] of parts) {
        line.returned += quantity;
        const product = data.products.find(({ sku }) => sku === line.sku);
        if (product && stock > 0) {
            product.stock += stock;
            service.emit(ACCOUNT, 'product.changed', { product });
        }
    }
    return { order: changed(order) };
}));

// Goods in place of others: an order of its own, at no charge or paid with what came back. Its goods are reserved at once.
service.on('POST', '/v1/orders', ({ account, body, headers }) => service.once({ account, headers }, () => {
    const first = orderOf(body.instead_of);
    const goods = (body.lines ?? []).map(({ sku, quantity, unit_price: price }) => ({ product: data.products.find((one) => one.sku === sku), sku, quantity, price }));
    if (goods.length === 0 || !goods.every(({ quantity, price }) => Number.isInteger(quantity) && quantity > 0 && Number.isInteger(price) && price >= 0)) {
        refuse(422, 'bad_order', 'An order has lines with a product, a quantity and a price in whole smallest units.');
    }
    for (const { product, sku, quantity } of goods) {
        if (!product || product.stock < quantity) {
            refuse(422, 'out_of_stock', product ? `Of ${product.title} there are ${product.stock} in stock.` : `There is no product ${sku}.`);
        }
    }
    goods.forEach(({ product, quantity }) => { product.stock -= quantity; service.emit(ACCOUNT, 'product.changed', { product }); });
    const number = service.nextId('B-2');
    const [kept, toPay] = [body.kept ?? 0, body.to_pay ?? 0];
    const placed = new Date().toISOString();
    const order = {
        id: `ord_${number.slice(2)}`, number, version: 1, placed_at: placed, updated_at: placed, status: toPay > 0 ? 'unpaid' : 'paid', currency: first.currency, prices_include_tax: first.prices_include_tax,
        customer: structuredClone(first.customer), sold_on: null, instead_of: first.number, to_pay: toPay,
        lines: goods.map(({ product, sku, quantity, price }, index) => ({ id: `${number.slice(2)}-${index + 1}`, sku, title: product.title, quantity, unit_price: price, discount: 0, tax_rate: first.lines[0].tax_rate, sent: 0, returned: 0, refunded: 0 })),
        order_discount: 0, shipping: { amount: 0, title: 'Parcel', tax_rate: first.shipping.tax_rate, refunded: 0 },
        payments: kept > 0 ? [{ id: `pay-${number.slice(2)}-k`, kind: 'kept', label: `Paid with ${first.number}`, captured: kept, refunded: 0 }] : [],
        total: goods.reduce((sum, { quantity, price }) => sum + quantity * price, 0), parcels: [],
    };
    data.orders.push(order);
    service.emit(ACCOUNT, 'order.changed', { order });
    return { order, payment_link: toPay > 0 ? `https://shop.brindle.example/pay/${number}` : null };
}));

function unsent(number) {
    const order = orderOf(number);
    return order.status === 'paid' || order.status === 'unpaid' ? order : refuse(409, 'too_late', `Order ${number} is ${order.status}: that is too late.`);
}

service.on('POST', '/v1/orders/:number/cancel', ({ account, headers, number }) => service.once({ account, headers }, () => {
    const order = unsent(number);
    order.status = 'cancelled';
    order.lines.forEach(({ sku, quantity }) => {
        const product = data.products.find((one) => one.sku === sku);
        product && (product.stock += quantity, service.emit(ACCOUNT, 'product.changed', { product }));
    });
    return { order: changed(order) };
}));
service.on('POST', '/v1/orders/:number/address', ({ account, body, headers, number }) => service.once({ account, headers }, () => {
    const order = unsent(number);
    if (!Array.isArray(body.lines) || body.lines.length === 0 || !/^[A-Z]{2}$/.test(body.country ?? '')) {
        refuse(422, 'bad_address', 'An address has lines and a country.');
    }
    order.customer.address = { lines: body.lines, country: body.country };
    return { order: changed(order) };
}));
service.act('pay', 'Pay what is to be paid of an order', [['number', 'Order', { value: 'B-21001' }]], ({ number }) => {
    const order = orderOf(number);
    if (order.status !== 'unpaid') {
        refuse(422, 'nothing_to_pay', 'Nothing of it is to be paid.');
    }
    order.payments.push({ id: `pay-${number.slice(2)}-c`, kind: 'card', label: 'Card …4242', captured: order.to_pay, refunded: 0 });
    order.status = 'paid';
    return changed(order);
});

// Codes that customers buy for. Each has its entries: what was given, used and has lapsed.
const creditOf = (code) => data.credits.find((credit) => credit.code === code) ?? refuse(404, 'unknown_credit', `There is no credit ${code}.`);
const balanceOf = ({ entries }) => entries.reduce((sum, { amount }) => sum + amount, 0);

function enter(credit, kind, amount, order = null, at = new Date().toISOString()) {
    credit.entries.push({ id: service.nextId('ce_'), kind, amount, order, at });
    service.emit(ACCOUNT, 'credit.changed', { credit }, at);
    return credit;
}

function giveCredit(body, at = new Date().toISOString()) {
    if (!Number.isInteger(body.amount) || body.amount < 1 || !/^[A-Z]{3}$/.test(body.currency ?? '')) {
        refuse(422, 'bad_credit', 'A credit has an amount in whole smallest units, 1 or more, and a currency.');
    }
    const credit = { code: `BRINDLE-${service.nextId('K')}`, currency: body.currency, reference: body.reference ?? null, customer: body.customer ?? null, given_at: at, entries: [] };
    data.credits.push(credit);
    return { credit: enter(credit, 'given', body.amount, null, at) };
}

service.on('POST', '/v1/credits', ({ account, body, headers }) => service.once({ account, headers }, () => giveCredit(body)));
service.on('GET', '/v1/credits/:code', ({ code }) => ({ credit: creditOf(code) }));
service.act('give-credit', 'Give a store credit', [['amount', 'Smallest units', { value: '2000' }], ['currency', 'Currency', { value: 'EUR' }], ['reference', 'Reference', { value: '' }]], ({ amount, currency, reference, at }) => giveCredit({ amount: Number(amount), currency, reference: reference || null }, at));
service.act('use-credit', 'Buy for a store credit', [['code', 'Code', { value: 'BRINDLE-K1001' }], ['amount', 'Smallest units', { value: '500' }], ['order', 'Order', { value: 'B-20440' }]], ({ code, amount, order, at }) => {
    const credit = creditOf(code);
    return enter(credit, 'used', -wholeNumber(String(amount), 1, balanceOf(credit), 'Smallest units that are left'), order, at);
});
service.act('lapse-credit', 'Let a store credit lapse', [['code', 'Code', { value: 'BRINDLE-K1001' }]], ({ code, at }) => {
    const credit = creditOf(code);
    return balanceOf(credit) > 0 ? enter(credit, 'lapsed', -balanceOf(credit), null, at) : refuse(422, 'nothing_left', 'Nothing is left of it.');
});
service.act('send', 'Send an order', [['number', 'Order', { value: 'B-20440' }], ['parcel', 'Number of its parcel', { value: 'WP7720440' }]], ({ number, parcel }) => {
    const order = orderOf(number);
    order.status = 'sent';
    order.lines.forEach((line) => { line.sent = line.quantity; });
    order.parcels = [...order.parcels.filter((one) => one.number !== parcel), { carrier: 'Wren Parcel', number: parcel }];
    return changed(order);
});
service.act('address', 'Change the address of an order', [['number', 'Order', { value: 'B-20440' }], ['line', 'Street', { value: '14 Orchard Row' }]], ({ number, line }) => {
    const order = orderOf(number);
    order.customer.address.lines[0] = line;
    return changed(order);
});
service.act('refund', 'Give money back on a line', [['number', 'Order', { value: 'B-20417' }], ['line', 'Line', { value: '20417-2' }], ['amount', 'Cents', { value: '2000' }]], ({ number, line, amount }) => {
    const order = orderOf(number);
    const found = order.lines.find((one) => one.id === line) ?? refuse(404, 'unknown_line', `There is no line ${line}.`);
    const payment = order.payments.at(-1);
    const left = Math.min(found.unit_price * found.quantity - found.discount - found.refunded, payment.captured - payment.refunded);
    const back = wholeNumber(amount, 1, left, 'Cents that can still be given back');
    found.refunded += back;
    payment.refunded += back;
    return changed(order);
});
service.act('stock', 'Set a stock', [['sku', 'Product', { options: PRODUCTS.map(({ sku }) => sku) }], ['stock', 'Pieces', { value: '10' }]], ({ sku, stock }) => {
    const product = data.products.find((one) => one.sku === sku) ?? refuse(404, 'unknown_product', `There is no product ${sku}.`);
    product.stock = wholeNumber(stock, 0, 100_000, 'Pieces in stock');
    service.emit(ACCOUNT, 'product.changed', { product });
    return product;
});
// Orders as no shop should send them, to see what the other side makes of it.
service.act('odd-order', 'Send an odd order', [['kind', 'Which', { options: ['unknown currency', 'without lines', 'name of 500 characters', 'right to left', 'emoji only'] }]], ({ kind }) => {
    const order = structuredClone(data.orders.at(-1));
    order.number = `B-2${1000 + data.events.length % 9000}`;
    order.id = `ord_odd_${data.events.length}`;
    const changes = {
        'unknown currency': () => { order.currency = 'QQQQ'; },
        'without lines': () => { delete order.lines; },
        'name of 500 characters': () => { order.customer.name = 'Al'.repeat(250); },
        'right to left': () => { order.customer.name = 'ליאורה כהן'; },
        'emoji only': () => { order.lines[0].title = '🪁'; },
    };
    (changes[kind] ?? changes['without lines'])();
    service.emit(ACCOUNT, 'order.changed', { order });
    return { number: order.number };
});
service.describe = () => `<h2>Last orders</h2>${table(['Order', 'Status', 'By', 'Total', 'Sold on'], data.orders.slice(-40).reverse().map((order) => [order.number, order.status, order.customer.name, `${(order.total / 100).toFixed(2)} ${order.currency}`, order.sold_on ? `${order.sold_on.marketplace} ${order.sold_on.number}` : '']))}`;
service.listen();
