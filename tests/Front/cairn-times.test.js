import assert from 'node:assert/strict';
import { test } from 'node:test';
import { inWords, stonesLeft, timeLeft } from '../../resources/js/cairn-times.js';

const falls = [1000, 2000, 3000];

test('a stone falls at each of its times, the last when it is missed', () => {
    assert.deepEqual([999, 1000, 2500, 3000, 4000, 4001].map((now) => stonesLeft(falls, 4000, now)), [4, 3, 2, 1, 1, 0]);
});

test('what has no time of its own stays, whatever the hour', () => {
    assert.equal(stonesLeft([], 4000, 3999), 4);
    assert.equal(stonesLeft([1, 2, 3], 4000, 3999), 1);
});

test('what is left is written as the server writes it', () => {
    const left = (seconds) => timeLeft(1_000_000, 1_000_000 - seconds);
    assert.deepEqual(
        [41 * 60 + 59, 2 * 3600 + 300, 5 * 3600, 5 * 3600 + 60, 3 * 86_400, 0, -60 * 20, -72 * 60, -3 * 86_400 - 7000].map(left),
        ['41 min', '2 h 05', '5 h', '5 h 01', '3 d', '0 min', '−0 h 20', '−1 h 12', '−3 d'],
    );
});

test('it is said in words', () => {
    assert.equal(inWords('First reply', 2, 7200, 0), 'First reply: 2 of 4 stones left, due in 2 h 00');
    assert.equal(inWords('Update', 0, 0, 3600), 'Update missed by 1 h 00');
});
