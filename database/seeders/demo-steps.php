<?php

declare(strict_types=1);

// The words in which the demo's conversations are written down: what happens in them, and by which way they come.
// `at` is either minutes of the store's hours ago ("worked:70") or days ago at a time ("2d 09:40").

$by = static fn (string $via, string $act, array $with, ?string $category, array $steps): array => ['via' => $via, 'act' => $act, 'with' => $with, 'category' => $category, 'steps' => $steps];

return [
    'in' => static fn (string $at, string $text, array $more = []): array => ['does' => 'in', 'at' => $at, 'text' => $text, ...$more],
    'again' => static fn (string $at, string $text, array $more = []): array => ['does' => 'in', 'at' => $at, 'text' => $text, 'again' => true, ...$more],
    'out' => static fn (string $at, string $who, string $text, ?string $outcome = null): array => array_filter(['does' => 'out', 'at' => $at, 'who' => $who, 'text' => $text, 'outcome' => $outcome]),
    // Answered with a template; `changed` is what the person wrote otherwise, a sentence for a sentence.
    'with' => static fn (string $at, string $who, string $template, ?string $outcome = null, array $changed = []): array => ['does' => 'with', 'at' => $at, 'who' => $who, 'template' => $template, 'outcome' => $outcome, 'changed' => $changed],
    'note' => static fn (string $at, string $who, string $text): array => ['does' => 'note', 'at' => $at, 'who' => $who, 'text' => $text],
    'take' => static fn (string $at, string $who): array => ['does' => 'take', 'at' => $at, 'who' => $who],
    'give' => static fn (string $at, string $who, string $to): array => ['does' => 'give', 'at' => $at, 'who' => $who, 'to' => $to],
    'hold' => static fn (string $at, string $who, string $text, int $days): array => ['does' => 'hold', 'at' => $at, 'who' => $who, 'text' => $text, 'days' => $days],
    'resolve' => static fn (string $at, string $who, string $outcome): array => ['does' => 'resolve', 'at' => $at, 'who' => $who, 'outcome' => $outcome],
    // Somebody says which company the customer is of, and what they do there.
    'of' => static fn (string $at, string $who, string $company, string $role): array => ['does' => 'of', 'at' => $at, 'who' => $who, 'company' => $company, 'role' => $role],
    'close' => static fn (string $at, string $who): array => ['does' => 'close', 'at' => $at, 'who' => $who],

    'mail' => static fn (string $from, string $name, string $subject, string $category, array $steps, string $to = 'care'): array => compact('from', 'name', 'subject', 'category', 'steps', 'to'),
    // By mail, from whoever placed the order: only where the shop's orders are there.
    'buyer' => static fn (string $order, string $subject, string $category, array $steps, string $to = 'care'): array => compact('order', 'subject', 'category', 'steps', 'to'),
    // By other ways: `via` names the service, `act` what the person does there, `with` how.
    'by' => $by,
    'pennon' => static fn (string $author, string $name, ?string $category, array $steps): array => $by('pennon', 'post', compact('author', 'name'), $category, $steps),
    'direct' => static fn (string $from, string $name, ?string $category, array $steps): array => $by('pennon', 'direct', compact('from', 'name') + ['to' => '@brindlekites'], $category, $steps),
    'comment' => static fn (string $user, string $shown, string $photo, ?string $category, array $steps): array => $by('snapline', 'comment', ['by' => $user, 'shown' => $shown, 'photo' => $photo], $category, $steps),
    'marrowby' => static fn (string $act, string $buyer, string $name, array $with, ?string $category, array $steps): array => $by('marrowby', $act, ['buyer' => $buyer, 'name' => $name, ...$with], $category, $steps),
    'quaymart' => static fn (string $about, string $ref, string $code, string $name, array $with, ?string $category, array $steps): array => $by('quaymart', 'write', ['about' => $about, 'ref' => $ref, 'code' => $code, 'name' => $name, ...$with], $category, $steps),
    'call' => static fn (string $who, string $teammate, ?string $category, array $steps): array => $by('telephone', 'call', compact('who', 'teammate'), $category, $steps),
    'form' => static fn (string $name, string $email, string $order, string $category, array $steps): array => $by('form', 'fill', compact('name', 'email', 'order'), $category, $steps),
    // In the web form, from whoever placed the order.
    'formOf' => static fn (string $order, string $category, array $steps): array => $by('form', 'fill', compact('order'), $category, $steps) + compact('order'),
];
