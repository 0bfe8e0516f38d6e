<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Support\StoresRows;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a rule did for one event, and why. There is one at most for each rule and event.
 *
 * @property int $id
 * @property int $rule_id
 * @property int $conversation_id
 * @property string $event_key
 * @property string $state
 * @property list<string> $because the parts of its condition that were true, in words
 * @property list<array<string, string>> $actions those that no other rule overruled
 * @property list<string> $done what was done, in words
 * @property int $attempts
 * @property string|null $error
 * @property CarbonImmutable|null $next_try_at
 * @property CarbonImmutable $at
 * @property Rule $rule
 * @property Conversation $conversation
 */
final class RuleRun extends Row
{
    protected $table = 'rule_runs';

    public const DONE = 'done';

    /** Tried again later. */
    public const RETRY = 'retry';

    public const FAILED = 'failed';

    use StoresRows;

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Rule, $this>
     */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    protected function casts(): array
    {
        return [
            'because' => 'array', 'actions' => 'array', 'done' => 'array', 'next_try_at' => 'immutable_datetime',
            'at' => 'immutable_datetime',
        ];
    }
}
