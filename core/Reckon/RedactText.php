<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Text\FoundSecret;
use Cairnfield\Core\Text\Redaction;
use Cairnfield\Core\Text\SecretKind;

final class RedactText implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Takes card numbers and bank account numbers out of a text.
              text   any text
              kinds  what to look for: ["card", "iban"]
              wide   true: also numbers that are broken over lines or written in another way; left out: false
            Result: {"text": "Pay to [IBAN …3000].", "found": [{"kind": "iban", "last4": "3000"}]}
            Errors: bad_input
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $text = $case->string('text');
        $kinds = [];
        foreach ($case->strings('kinds') as $index => $name) {
            $kinds[] = SecretKind::tryFrom($name)
                ?? throw BadInput::expected("'card' or 'iban'", $case->at("kinds[{$index}]"));
        }
        $redaction = Redaction::of(...$kinds);
        $redacted = ($case->has('wide') && $case->boolean('wide') ? $redaction->widely() : $redaction)->redact($text);

        return [
            'text' => $redacted->text,
            'found' => array_map(
                static fn (FoundSecret $secret): array => ['kind' => $secret->kind->value, 'last4' => $secret->last4],
                $redacted->found,
            ),
        ];
    }
}
