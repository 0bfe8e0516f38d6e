<?php

declare(strict_types=1);

namespace App\Store;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\StoreSettings;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;

/**
 * What a new store goes through, and how far it is.
 */
final readonly class BeginSteps
{
    public const CAN_BE_LEFT = ['first_set', 'people'];

    private const LEFT = 'begin_left';

    private const BEGUN = 'begun';

    public function __construct(private StoreSettings $settings) {}

    /**
     * @return array{store: bool, first_set: bool, way_in: bool, people: bool} by step, whether it is done, or left on purpose
     */
    public function all(): array
    {
        $left = (array) $this->settings->get(self::LEFT, []);

        return [
            'store' => Store::isSaid(),
            'first_set' => in_array('first_set', $left, true) || (Category::inUse()->exists() && Outcome::inUse()->exists()),
            'way_in' => self::waysIn()->whereNotNull('last_heard_at')->exists(),
            'people' => in_array('people', $left, true) || Teammate::query()->where('may_sign_in', true)->count() > 1,
        ];
    }

    /**
     * Whether the store began by the link: another has been there for long, and needs no steps.
     */
    public function isBegun(): bool
    {
        return $this->settings->get(self::BEGUN) === true;
    }

    /**
     * Whether somebody is about to, and not through with it.
     */
    public function isGoingOn(): bool
    {
        return $this->isBegun() && in_array(false, $this->all(), true);
    }

    public function begin(): void
    {
        $this->settings->put(self::BEGUN, true);
    }

    public function leave(string $step): void
    {
        $this->settings->put(self::LEFT, array_values(array_unique([...(array) $this->settings->get(self::LEFT, []), $step])));
    }

    /**
     * @return Builder<Account>
     */
    public static function waysIn(): Builder
    {
        return Account::query()
            ->where('state', AccountState::Active)
            ->whereIn('channel', array_filter(Channel::cases(), static fn (Channel $channel): bool => $channel->bringsMessages()));
    }
}
