import assert from 'node:assert/strict';
import { test } from 'node:test';
import { askedPlaceholder, fittingPlaceholders, putPlaceholder } from '../../resources/js/placeholder-text.js';

// The cursor stands where the bar is.
const at = (text) => [text.replace('|', ''), text.indexOf('|')];

// The text after a name was chosen for what stands before the cursor.
function chosen(marked, name) {
    const [text, cursor] = at(marked);
    const put = putPlaceholder(text, askedPlaceholder(text, cursor)?.from ?? cursor, cursor, name);
    return text.slice(0, put.from) + put.text + text.slice(put.to);
}

test('a placeholder is asked for between two braces and the cursor', () => {
    assert.deepEqual(askedPlaceholder(...at('Hello {{|')), { letters: '', from: 8 });
    assert.deepEqual(askedPlaceholder(...at('Hello {{ cust|')), { letters: 'cust', from: 9 });
    assert.deepEqual(askedPlaceholder(...at('{{ Order.NUM|')), { letters: 'order.num', from: 3 });
    assert.equal(askedPlaceholder(...at('Hello {|')), null);
    assert.equal(askedPlaceholder(...at('Hello {{ customer.name }} and|')), null);
    assert.equal(askedPlaceholder(...at('Hello|')), null);
});

test('so it is in a condition', () => {
    assert.deepEqual(askedPlaceholder(...at('{{ if par|')), { letters: 'par', from: 6 });
    assert.deepEqual(askedPlaceholder(...at('{{ if not par|')), { letters: 'par', from: 10 });
    assert.deepEqual(askedPlaceholder(...at('{{ else if par|')), { letters: 'par', from: 11 });
    assert.equal(askedPlaceholder(...at('{{ parcel.number | "no|')), null);
});

test('names fit by any part, seven at most, but not the one that is written out', () => {
    const names = ['customer.name', 'customer.first_name', 'order.number', 'parcel.number'];
    assert.deepEqual(fittingPlaceholders(names, 'number'), ['order.number', 'parcel.number']);
    assert.deepEqual(fittingPlaceholders(names, 'order.number'), []);
    assert.deepEqual(fittingPlaceholders(names, 'name'), ['customer.name', 'customer.first_name']);
    assert.equal(fittingPlaceholders(Array.from({ length: 20 }, (_, index) => `a${index}`), '').length, 7);
});

test('outside of braces it brings its own', () => {
    assert.equal(chosen('Hello |', 'customer.name'), 'Hello {{ customer.name }}');
    assert.equal(chosen('{{ order.number }} |', 'customer.name'), '{{ order.number }} {{ customer.name }}');
});

test('inside it closes what is open', () => {
    assert.equal(chosen('Hello {{|', 'customer.name'), 'Hello {{ customer.name }}');
    assert.equal(chosen('Hello {{ cu|', 'customer.name'), 'Hello {{ customer.name }}');
    assert.equal(chosen('Hello {{cu|, welcome', 'customer.name'), 'Hello {{ customer.name }}, welcome');
    assert.equal(chosen('{{ if par|', 'parcel.number'), '{{ if parcel.number }}');
});

test('and closes nothing twice', () => {
    assert.equal(chosen('Hello {{ cu| }}', 'customer.name'), 'Hello {{ customer.name }}');
    assert.equal(chosen('Hello {{ cu|}}', 'customer.name'), 'Hello {{ customer.name }}');
    assert.equal(chosen('{{|}}', 'customer.name'), '{{ customer.name }}');
});

test('a fallback behind the name stays', () => {
    assert.equal(chosen('Hello {{ cu| | "there" }}!', 'customer.first_name'), 'Hello {{ customer.first_name | "there" }}!');
});

test('a name in whose middle the cursor stands is replaced whole', () => {
    assert.equal(chosen('Hello {{ cust|omer.name }}!', 'customer.first_name'), 'Hello {{ customer.first_name }}!');
    assert.equal(chosen('{{ par|cel.numb', 'parcel.number'), '{{ parcel.number }}');
});

test('braces further on are another placeholder’s', () => {
    assert.equal(chosen('{{ cu|\nand {{ order.number }}', 'customer.name'), '{{ customer.name }}\nand {{ order.number }}');
});
