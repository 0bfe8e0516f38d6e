<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

/**
 * What a customer has written into a form, checked.
 */
final readonly class FilledForm
{
    /**
     * @param  array<string, string>  $own  the team's own fields, by their label
     * @param  int|null  $returnReasonId  why something is to come back; null where nothing is
     * @param  string  $goods  what is to come back, one thing a line
     */
    private function __construct(
        public string $name,
        public string $email,
        public string $order,
        public ?int $categoryId,
        public string $text,
        public array $own,
        public ?int $returnReasonId = null,
        public string $goods = '',
    ) {}

    /**
     * @param  array<string, mixed>  $values
     */
    public static function from(array $values, Form $form): self
    {
        $own = [];
        foreach ($form->fields as $index => $field) {
            $value = trim((string) ($values['own'][$index] ?? ''));
            if ($value !== '') {
                $own[$field['label']] = $value;
            }
        }

        return new self(
            trim((string) $values['name']),
            trim((string) $values['email']),
            trim((string) ($values['order'] ?? '')),
            isset($values['category']) ? (int) $values['category'] : null,
            trim(str_replace(["\r\n", "\r"], "\n", (string) $values['text'])),
            $own,
            isset($values['return_reason']) ? (int) $values['return_reason'] : null,
            trim(str_replace(["\r\n", "\r"], "\n", (string) ($values['goods'] ?? ''))),
        );
    }
}
