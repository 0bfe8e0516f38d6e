<?php

declare(strict_types=1);

namespace App\People;

use App\Team\Teammate;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * What becomes of the work of somebody who leaves.
 */
final readonly class WorkToHandOn
{
    public const AS_NOTES = 'notes';

    public const TO_TAKER = 'taker';

    public const GONE = 'gone';

    private function __construct(
        public ?Teammate $conversationsTo,
        public ?Teammate $tasksTo,
        public ?Teammate $rulesTo,
        public bool $keepsPlanned,
        public string $drafts,
    ) {}

    /**
     * @throws PeopleRefused
     */
    public static function of(Request $request, Teammate $person, Teammate $by): self
    {
        $given = $request->validate([
            'conversations_to' => ['nullable', 'integer'],
            'tasks_to' => ['nullable', 'integer'],
            'rules_to' => ['nullable', 'integer'],
            'planned' => ['nullable', Rule::in(['send', self::AS_NOTES])],
            'drafts' => ['nullable', Rule::in([self::AS_NOTES, self::TO_TAKER, self::GONE])],
        ]);
        $whom = static fn (string $what): ?Teammate => ($given[$what] ?? null) === null
            ? null
            : Teammate::working()->whereKeyNot($person->id)->find((int) $given[$what]) ?? throw PeopleRefused::notHere();

        return new self(
            $whom('conversations_to'),
            // A task is always somebody's.
            $whom('tasks_to') ?? $by,
            $whom('rules_to'),
            ($given['planned'] ?? 'send') === 'send',
            $given['drafts'] ?? self::AS_NOTES,
        );
    }
}
