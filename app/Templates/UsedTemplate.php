<?php

declare(strict_types=1);

namespace App\Templates;

/**
 * A template that stands in an answer, with its text as it was put in.
 */
final readonly class UsedTemplate
{
    public function __construct(public int $template, public string $language, public string $text) {}

    /**
     * @param  array<mixed>  $kept  as toArray gave them
     * @return list<self>
     */
    public static function all(array $kept): array
    {
        $used = [];
        foreach ($kept as $one) {
            if (is_array($one) && is_int($one['template'] ?? null)) {
                $used[] = new self($one['template'], (string) ($one['language'] ?? ''), (string) ($one['text'] ?? ''));
            }
        }

        return $used;
    }

    /**
     * @return array{template: int, language: string, text: string}
     */
    public function toArray(): array
    {
        return ['template' => $this->template, 'language' => $this->language, 'text' => $this->text];
    }
}
