<?php

declare(strict_types=1);

namespace App\Rules;

use App\Support\Row;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * When this happens and these things hold, do that. Changed only by `SaveRule`.
 *
 * @property int $id
 * @property string $name
 * @property int $place in the order in which they run
 * @property Way $way
 * @property bool $on
 * @property list<string> $events values of RuleEvent
 * @property array<string, mixed>|null $clock where it runs with time; see TimeTrigger
 * @property CarbonImmutable|null $swept_from up to where it was so before it was switched on
 * @property CarbonImmutable|null $swept_to up to where it was looked
 * @property array<string, mixed> $condition
 * @property list<array<string, string>> $actions each with `do`
 * @property string|null $notes
 * @property ChangedBy $changed_by
 * @property int $version
 * @property int|null $teammate_id who made it
 * @property CarbonImmutable|null $stopped_at since when its answers wait for somebody to say go on
 * @property int|null $promise_set_id that it is written with, and changed with alone
 * @property string|null $last_error
 * @property CarbonImmutable|null $last_error_at
 * @property CarbonImmutable|null $retired_at
 */
final class Rule extends Row
{
    protected $table = 'rules';

    protected $guarded = ['*'];

    /** @var array{string, Condition}|null what was read last, and from what: it is asked very often */
    private ?array $read = null;

    /**
     * @return Builder<Rule>
     */
    public static function inOrder(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('place')->orderBy('id');
    }

    /**
     * @throws RulesRefused when it is no condition that can be asked
     */
    public function asks(): Condition
    {
        $written = (string) $this->getAttributes()['condition'];
        if ($this->read === null || $this->read[0] !== $written) {
            $this->read = [$written, Condition::read(json_decode($written))];
        }

        return $this->read[1];
    }

    /**
     * @return list<RuleEvent>
     */
    public function listensTo(): array
    {
        return array_values(array_filter(array_map(RuleEvent::tryFrom(...), $this->events)));
    }

    /**
     * When it runs with time; null where it runs on what happens, or its times make no sense any more.
     */
    public function runsWith(): ?TimeTrigger
    {
        try {
            return $this->clock === null ? null : TimeTrigger::of($this->clock);
        } catch (RuleRefused) {
            return null;
        }
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return HasMany<RuleRun, $this>
     */
    public function runs(): HasMany
    {
        return $this->hasMany(RuleRun::class);
    }

    protected function casts(): array
    {
        return [
            'way' => Way::class,
            'on' => 'boolean',
            'events' => 'array',
            'clock' => 'array',
            'swept_from' => 'immutable_datetime',
            'swept_to' => 'immutable_datetime',
            'condition' => 'array',
            'actions' => 'array',
            'changed_by' => ChangedBy::class,
            'stopped_at' => 'immutable_datetime',
            'last_error_at' => 'immutable_datetime',
            'retired_at' => 'immutable_datetime',
        ];
    }
}
