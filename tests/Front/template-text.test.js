import assert from 'node:assert/strict';
import { test } from 'node:test';
import { askedTemplate, askingSign, gapIn, isOnlyAsking, joinAddresses } from '../../resources/js/template-text.js';

// The cursor stands where the bar is.
const at = (text) => [text.replace('|', ''), text.indexOf('|')];

test('a template is asked for by a semicolon at the beginning, or apart from the word before it', () => {
    assert.deepEqual(askedTemplate(...at(';la|')), { from: 0, to: 3, letters: 'la' });
    assert.deepEqual(askedTemplate(...at('Hello\n;|')), { from: 6, to: 7, letters: '' });
    assert.deepEqual(askedTemplate(...at('Hello (;late|')), { from: 7, to: 12, letters: 'late' });
    assert.deepEqual(askedTemplate(...at('Hello ;ask for| it')), { from: 6, to: 14, letters: 'ask for' });
});

test('a sentence with a semicolon asks for nothing', () => {
    assert.equal(askedTemplate(...at('late; we|')), null);
    assert.equal(askedTemplate(...at('no semicolon|')), null);
    assert.equal(askedTemplate(...at(';first line\nsecond|')), null);
    assert.equal(askedTemplate(...at('|;la')), null);
    assert.equal(askedTemplate(...at(`;${'x'.repeat(41)}|`)), null);
    assert.equal(askedTemplate('', 0), null);
});

test('of two semicolons the last one asks', () => {
    assert.deepEqual(askedTemplate(...at(';a ;b|')), { from: 3, to: 5, letters: 'b' });
    assert.equal(askedTemplate(...at(';;|')), null);
});

test('letters of other scripts ask, too', () => {
    assert.deepEqual(askedTemplate(...at('Bonjour ;dél|')), { from: 8, to: 12, letters: 'dél' });
    assert.deepEqual(askedTemplate(...at('🪁 ;返|')), { from: 3, to: 5, letters: '返' });
});

test('the button begins to ask apart from a word', () => {
    assert.equal(askingSign('', 0), ';');
    assert.equal(askingSign('Hello', 5), ' ;');
    assert.equal(askingSign('Hello ', 6), ';');
    assert.equal(askingSign('Hello\n', 6), ';');
    assert.equal(askingSign('Hello', 0), ';');
});

test('a text that only asks is as good as empty', () => {
    assert.ok(isOnlyAsking(''));
    assert.ok(isOnlyAsking(' \n'));
    assert.ok(isOnlyAsking(' ;late parcel'));
    assert.ok(!isOnlyAsking('Hello ;late'));
    assert.ok(!isOnlyAsking(';late\nand more'));
});

test('the first gap is found, with its braces', () => {
    assert.deepEqual(gapIn('Dear {{ customer.first_name }}, {{ order.number }}'), { from: 5, to: 30 });
    assert.equal(gapIn('Dear Tomas'), null);
    assert.equal(gapIn('{{ not closed'), null);
    assert.equal(gapIn('{ one brace }'), null);
    assert.deepEqual(gapIn('{{{{ a }}'), { from: 2, to: 9 });
});

test('addresses of a template come to those that are there, each once', () => {
    assert.equal(joinAddresses('', 'a@x.example'), 'a@x.example');
    assert.equal(joinAddresses('a@x.example', 'b@x.example, A@X.example'), 'a@x.example, b@x.example');
    assert.equal(joinAddresses(' a@x.example ;b@x.example,', 'c@x.example'), 'a@x.example, b@x.example, c@x.example');
    assert.equal(joinAddresses('', ''), '');
});
