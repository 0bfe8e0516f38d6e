<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What becomes of what arrives on an account, as an administrator has set it.
 */
final readonly class Arrivals
{
    /** Every mention becomes a conversation. */
    public const ALL = 'all';

    /** Only those that have one of the words; the others are listed. */
    public const WITH_WORDS = 'words';

    /** None by itself; all are listed. */
    public const NONE = 'none';

    /** As the form of an account names them. */
    public const FIELDS = ['mentions', 'words', 'join_hours'];

    private const JOIN_HOURS = 12;

    /**
     * @param  list<string>  $words
     */
    private function __construct(public string $mentions, public array $words, public int $joinHours) {}

    /**
     * @param  array<string, mixed>|null  $stored
     */
    public static function fromStored(?array $stored): self
    {
        $mentions = $stored['mentions'] ?? self::ALL;
        $words = is_array($stored['words'] ?? null) ? array_values(array_filter($stored['words'], is_string(...))) : [];

        return new self(
            in_array($mentions, [self::ALL, self::WITH_WORDS, self::NONE], true) ? $mentions : self::ALL,
            $words,
            max(0, min(720, (int) ($stored['join_hours'] ?? self::JOIN_HOURS))),
        );
    }

    /**
     * @param  array<string, mixed>  $written  by the names of the form
     * @return array{mentions: string, words: list<string>, join_hours: int}
     */
    public static function toStore(array $written): array
    {
        $words = array_map(trim(...), preg_split('/[,\n]+/', (string) ($written['words'] ?? '')) ?: []);

        return [
            'mentions' => (string) ($written['mentions'] ?? self::ALL),
            'words' => array_values(array_unique(array_filter($words, static fn (string $word): bool => $word !== ''))),
            'join_hours' => (int) ($written['join_hours'] ?? self::JOIN_HOURS),
        ];
    }

    /**
     * Whether a public item becomes a conversation by itself.
     *
     * @param  bool  $answersOurs  written in answer to something of ours: that always does
     */
    public function makeConversationOf(string $text, bool $answersOurs): bool
    {
        return match (true) {
            $answersOurs => true,
            $this->mentions === self::ALL => true,
            $this->mentions === self::NONE => false,
            default => $this->hasWord($text),
        };
    }

    private function hasWord(string $text): bool
    {
        foreach ($this->words as $word) {
            if (preg_match('/(?<![\pL\pN])'.preg_quote(mb_strtolower($word), '/').'(?![\pL\pN])/u', mb_strtolower($text)) === 1) {
                return true;
            }
        }

        return false;
    }
}
