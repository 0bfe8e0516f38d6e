import assert from 'node:assert/strict';
import { test } from 'node:test';
import { drawnSpans, heldAt, joinSpans, readSpans, writeSpans } from '../../resources/js/week-spans.js';

const office = [[540, 750], [810, 1020]];

test('hours are read as people write them, and written in one way', () => {
    assert.equal(writeSpans(readSpans('9-12:30; 13.30 – 17h00')), '09:00–12:30, 13:30–17:00');
    assert.equal(writeSpans(readSpans('0 to 24')), '00:00–24:00');
    assert.deepEqual(readSpans(''), []);
});

test('what is not finished, or cannot be, is passed over while somebody types', () => {
    assert.deepEqual(readSpans('09:00–'), []);
    assert.deepEqual(readSpans('09:00–12:00, 13'), [[540, 720]]);
    assert.deepEqual(readSpans('17–9, 10–25'), []);
});

test('a span is drawn where there is none, on quarters of an hour', () => {
    assert.deepEqual(drawnSpans([], null, 541, 1018), [[540, 1020]]);
    assert.deepEqual(drawnSpans([], null, 1018, 541), [[540, 1020]]);
    assert.deepEqual(drawnSpans(office, null, 1100, 1102), office);
});

test('what is drawn over another becomes one with it', () => {
    assert.deepEqual(drawnSpans(office, null, 720, 830), [[540, 1020]]);
    assert.deepEqual(joinSpans([[600, 700], [540, 600]]), [[540, 700]]);
});

test('an edge is taken hold of near it, the whole in between', () => {
    assert.deepEqual(heldAt(office, 545, 10), { index: 0, part: 'from' });
    assert.deepEqual(heldAt(office, 1013, 10), { index: 1, part: 'to' });
    assert.deepEqual(heldAt(office, 600, 10), { index: 0, part: 'all' });
    assert.equal(heldAt(office, 780, 10), null);
});

test('an edge goes with the pointer, over the other edge too', () => {
    assert.deepEqual(drawnSpans(office, { index: 0, part: 'to' }, 750, 700), [[540, 705], [810, 1020]]);
    assert.deepEqual(drawnSpans([[540, 600]], { index: 0, part: 'to' }, 600, 480), [[480, 540]]);
});

test('a whole span is moved, and stays within the day', () => {
    assert.deepEqual(drawnSpans([[540, 600]], { index: 0, part: 'all' }, 550, 615), [[600, 660]]);
    assert.deepEqual(drawnSpans([[60, 120]], { index: 0, part: 'all' }, 90, -400), [[0, 60]]);
    assert.deepEqual(drawnSpans([[1300, 1400]], { index: 0, part: 'all' }, 1350, 3000), [[1340, 1440]]);
});

test('a span that is drawn together to nothing is gone', () => {
    assert.deepEqual(drawnSpans(office, { index: 1, part: 'from' }, 810, 1019), [[540, 750]]);
});
