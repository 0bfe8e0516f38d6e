<?php

declare(strict_types=1);

use Cairnfield\Core\Text\AttachmentMention;

it('knows when a text speaks of a file', function (string $text, ?string $words): void {
    expect(AttachmentMention::in($text))->toBe($words);
})->with([
    ['Please find the invoice ATTACHED.', 'attached'], ['Die Rechnung ist im Anhang.', 'im anhang'], [
        'Den er vedhaeftet? Nej: VEDHÆFTET.', 'vedhæftet',
    ],
    [
        'Vous trouverez ci-joint la facture', 'ci-joint',
    ], ['請求書を添付します', '添付'], ['The tail is unattached', null], ['', null], ['Nothing goes along.', null],
]);
