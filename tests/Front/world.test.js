import assert from 'node:assert/strict';
import { test } from 'node:test';
import { orders, parcels } from '../../standins/world/orders.js';
import { PEOPLE } from '../../standins/world/people.js';
import { LISTINGS, PRODUCTS, productOf } from '../../standins/world/products.js';
import { random } from '../../standins/world/random.js';

// The made-up world that the simulated services share: believable, and the same for each of them.

test('the same seed gives the same numbers, another gives others', () => {
    const some = (seed) => { const dice = random(seed); return Array.from({ length: 20 }, () => dice.below(1000)); };
    assert.deepEqual(some(7), some(7));
    assert.notDeepEqual(some(7), some(8));
});

test('numbers stay below what they are asked for, and all of them come', () => {
    const dice = random(3);
    const found = new Set();
    for (let round = 0; round < 2000; round += 1) {
        const number = dice.below(6);
        assert.ok(Number.isInteger(number) && number >= 0 && number < 6);
        found.add(number);
    }
    assert.equal(found.size, 6);
    assert.ok(['a', 'b'].includes(random(1).pick(['a', 'b'])));
});

test('chance is as often as it says, nearly', () => {
    const dice = random(11);
    const hits = Array.from({ length: 4000 }, () => dice.chance(0.25)).filter(Boolean).length;
    assert.ok(hits > 850 && hits < 1150, String(hits));
});

test('each product has a price in cents, a title and a number of its own', () => {
    assert.equal(new Set(PRODUCTS.map(({ sku }) => sku)).size, PRODUCTS.length);
    for (const { sku, title, price, stock } of PRODUCTS) {
        assert.ok(Number.isInteger(price) && price > 0, sku);
        assert.ok(Number.isInteger(stock) && stock >= 0, sku);
        assert.ok(title.length > 3, sku);
        assert.equal(productOf(sku).title, title);
    }
    for (const { sku } of LISTINGS) {
        assert.ok(productOf(sku), sku);
    }
});

test('people have addresses that can be no real ones', () => {
    for (const [name, email, , address] of Object.values(PEOPLE)) {
        assert.ok(name.length > 2);
        assert.ok(email === null || email.endsWith('.example'), email);
        assert.equal(address[2].length, 2, name);
    }
});

test('orders lie in the past, and none is made after it was sent', () => {
    const now = Date.now();
    for (const order of orders()) {
        assert.ok(Date.parse(order.placed_at) <= now + 86_400_000, order.number);
        for (const parcel of order.parcelsFull) {
            for (const scan of parcel.scans) {
                assert.ok(scan.at >= order.placed_at, `${order.number} ${scan.stage}`);
            }
        }
    }
});

test('what a marketplace sold carries its number, and each number is sold once', () => {
    const sold = orders().filter((order) => order.sold_on !== null).map((order) => `${order.sold_on.marketplace} ${order.sold_on.number}`);
    assert.ok(sold.length > 30);
    assert.equal(new Set(sold).size, sold.length);
});

test('a country’s tax is the same in all its orders', () => {
    const rates = new Map();
    for (const order of orders()) {
        const { country } = order.customer.address;
        for (const { tax_rate: rate } of [...order.lines, order.shipping]) {
            assert.equal(rates.get(country) ?? rate, rate, country);
            rates.set(country, rate);
        }
    }
    assert.ok(rates.size > 5);
});

test('the parcels of the carrier are those of the orders, and no others', () => {
    const told = new Set(orders().flatMap((order) => order.parcels.map(({ number }) => number)));
    assert.deepEqual(new Set(parcels().map(({ number }) => number)), told);
});
