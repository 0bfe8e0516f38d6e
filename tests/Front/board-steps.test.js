import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ARROWS, stepOnBoard } from '../../resources/js/board-steps.js';

const { ArrowLeft: left, ArrowRight: right, ArrowUp: up, ArrowDown: down } = ARROWS;

test('up and down go along a column and stop at its ends', () => {
    assert.deepEqual(stepOnBoard([3], [0, 0], down), [0, 1]);
    assert.deepEqual(stepOnBoard([3], [0, 2], up), [0, 1]);
    assert.equal(stepOnBoard([3], [0, 2], down), null);
    assert.equal(stepOnBoard([3], [0, 0], up), null);
});

test('across, empty columns are passed over', () => {
    assert.deepEqual(stepOnBoard([2, 0, 0, 2], [0, 1], right), [3, 1]);
    assert.deepEqual(stepOnBoard([2, 0, 2], [2, 0], left), [0, 0]);
    assert.equal(stepOnBoard([2, 0, 0], [0, 0], right), null);
    assert.equal(stepOnBoard([2], [0, 0], left), null);
});

test('in a shorter column the last card is the nearest', () => {
    assert.deepEqual(stepOnBoard([5, 2], [0, 4], right), [1, 1]);
    assert.deepEqual(stepOnBoard([1, 5], [1, 3], left), [0, 0]);
});

test('whatever the board, a step leads to a card that is there, and back where the columns are as long', () => {
    for (const counts of [[1], [4, 4, 4], [0, 3, 0, 3], [2, 7, 1]]) {
        counts.forEach((count, column) => {
            for (let place = 0; place < count; place += 1) {
                for (const by of Object.values(ARROWS)) {
                    const next = stepOnBoard(counts, [column, place], by);
                    if (next) {
                        assert.ok(next[1] >= 0 && next[1] < counts[next[0]]);
                        const back = stepOnBoard(counts, next, by.map((part) => -part));
                        assert.ok(back !== null && back[0] === column);
                        counts[next[0]] === count && assert.deepEqual(back, [column, place]);
                    }
                }
            }
        });
    }
});
