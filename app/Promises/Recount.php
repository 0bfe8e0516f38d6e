<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\ConversationState;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What is running is reckoned anew, since what is promised has changed: so many of so many are done.
 *
 * @property int $id
 * @property string $why
 * @property int $total
 * @property int $done
 * @property int $up_to the number of the last conversation that is done
 * @property CarbonImmutable|null $finished_at
 * @property CarbonImmutable $updated_at
 */
final class Recount extends Row
{
    public const RUNS_IN = [ConversationState::Open, ConversationState::Waiting, ConversationState::Held];

    protected $table = 'promise_recounts';

    protected $guarded = ['*'];

    /**
     * In the transaction of the change. One that has not begun yet does for several changes.
     */
    public static function begin(string $why): void
    {
        $waiting = self::query()->whereNull('finished_at')->where('done', 0)->lockForUpdate()->orderByDesc('id')->first();
        if ($waiting !== null && $waiting->up_to === 0) {
            $waiting->forceFill(['why' => mb_substr($why, 0, 200)])->save();

            return;
        }
        // One that is under way would go on with what it knew at its beginning: this one does it all.
        self::query()->whereNull('finished_at')->update(['finished_at' => now()]);
        $recount = (new self)->forceFill([
            'why' => mb_substr($why, 0, 200), 'total' => DB::table('conversations')->whereIn('state', self::RUNS_IN)->count(),
        ]);
        $recount->save();
        RecountPromises::dispatch($recount->id)->afterCommit();
    }

    /**
     * The one that is under way.
     */
    public static function running(): ?self
    {
        return self::query()->whereNull('finished_at')->orderBy('id')->first();
    }

    protected function casts(): array
    {
        return ['finished_at' => 'immutable_datetime'];
    }
}
