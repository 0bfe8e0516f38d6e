import assert from 'node:assert/strict';
import { test } from 'node:test';
import { findByLetters } from '../../resources/js/letters.js';

const OUTCOMES = ['Information given', 'Sent again', 'Refunded', 'Exchanged', 'No answer', 'Invoice sent'];

test('a choice is found by the letters it begins with', () => {
    assert.equal(findByLetters(OUTCOMES, 'ref'), 2);
    assert.equal(findByLetters(OUTCOMES, 'REF'), 2);
    assert.equal(findByLetters(OUTCOMES, 'inv'), 5);
});

test('else by a word inside it, with what follows that', () => {
    assert.equal(findByLetters(OUTCOMES, 'again'), 1);
    assert.equal(findByLetters(['Ask the carrier', 'Wait for the carrier then'], 'carrier t'), 1);
    assert.equal(findByLetters(['Delivery › Late parcel', 'Product › Faulty item'], 'faulty'), 1);
});

test('one letter typed again goes on to the next choice after the present one, and around', () => {
    assert.equal(findByLetters(OUTCOMES, 'i'), 0);
    assert.equal(findByLetters(OUTCOMES, 'ii', 0), 5);
    assert.equal(findByLetters(OUTCOMES, 'i', 5), 0);
    // Where no choice but one begins so, it stays.
    assert.equal(findByLetters(OUTCOMES, 'r', 2), 2);
});

test('several letters begin at the top, wherever one is', () => {
    assert.equal(findByLetters(OUTCOMES, 'in', 5), 0);
});

test('accents, spaces and other scripts are no obstacle', () => {
    assert.equal(findByLetters(['Åse Ørn', 'Émile', '  Two \n words '], 'emi'), 1);
    assert.equal(findByLetters(['Åse Ørn', 'Émile'], 'ase'), 0);
    assert.equal(findByLetters(['Other', '  Two \n words '], 'two w'), 1);
    assert.equal(findByLetters(['返品', '交換'], '交'), 1);
});

test('what is not there is not found, nor is nothing', () => {
    assert.equal(findByLetters(OUTCOMES, 'zeppelin'), -1);
    assert.equal(findByLetters(OUTCOMES, ' '), -1);
    assert.equal(findByLetters([], 'a'), -1);
    // Letters that mean something elsewhere mean themselves here.
    assert.equal(findByLetters(['a.b', 'C++ (old)'], 'c++'), 1);
});
