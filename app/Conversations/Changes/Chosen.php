<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

/**
 * What was chosen and written for a change.
 */
final readonly class Chosen
{
    public const MOST_HOURS = 2000;

    private const LONGEST = 5000;

    /**
     * @param  string  $value  what was chosen: a priority, the number of a person, a state …
     * @param  string  $text  what was written: a tag, the value of a field, why it is held
     * @param  int  $hours  working hours until something held comes back; 0 for none
     * @param  string  $as  the number of the person in whose name it is done
     */
    public function __construct(public string $value = '', public string $text = '', public int $hours = 0, public string $as = '') {}

    /**
     * @param  array<mixed>  $written  with `value`, `text`, `hours` and `as`, each of which may be missing
     */
    public static function of(array $written): self
    {
        $word = static fn (string $key): string => is_scalar($written[$key] ?? null) ? trim((string) $written[$key]) : '';
        $hours = $word('hours');

        return new self(
            $word('value'), mb_substr($word('text'), 0, self::LONGEST),
            ctype_digit($hours) ? min(self::MOST_HOURS, (int) $hours) : 0, $word('as')
        );
    }

    public function id(): int
    {
        return (int) $this->value;
    }

    /**
     * @return array<string, string> only what was chosen
     */
    public function toArray(): array
    {
        return array_filter([
            'value' => $this->value, 'text' => $this->text, 'hours' => $this->hours === 0 ? '' : (string) $this->hours,
            'as' => $this->as,
        ], static fn (string $value): bool => $value !== '');
    }
}
