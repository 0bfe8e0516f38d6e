<?php

declare(strict_types=1);

namespace App\Promises;

use App\Hours\Calendars;
use App\Support\Row;
use App\Team\Teammate;
use Cairnfield\Core\Hours\Calendar;
use Cairnfield\Core\Promises\PromiseKind;
use Cairnfield\Core\Promises\Status;
use Cairnfield\Core\Promises\Target;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A promise set as it was from one change to the next, with the hours that it counted in: what was promised by it can be reckoned
 * again at any time.
 *
 * @property int $promise_set_id
 * @property int $version
 * @property CarbonImmutable $since
 * @property int|null $teammate_id who changed it
 * @property array<string, mixed> $content
 * @property string $what what was changed, in words
 * @property Teammate|null $teammate
 */
final class PromiseSetVersion extends Row
{
    protected $table = 'promise_set_versions';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = ['*'];

    /** @var list<Target>|null */
    private ?array $read = null;

    /**
     * As the core reckons with them.
     *
     * @return list<Target>
     */
    public function targets(): array
    {
        return $this->read ??= array_values(array_map(fn (array $target): Target => new Target(
            PromiseKind::from($target['kind']), $target['seconds'], $this->calendar($target['calendar'] ?? null),
            (int) ($target['warn_before'] ?? 0), array_map(Status::from(...), $target['runs_in'] ?? [])
        ), (array) $this->content['targets']));
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * Plain clock time where none is named.
     */
    private function calendar(?int $id): Calendar
    {
        $definition = $id === null ? null : $this->content['calendars'][$id] ?? null;

        return $definition === null ? Calendar::always() : Calendars::read($definition);
    }

    protected function casts(): array
    {
        return ['since' => 'immutable_datetime', 'content' => 'array'];
    }
}
