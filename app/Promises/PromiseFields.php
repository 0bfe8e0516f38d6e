<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\Field;
use App\Conditions\Fields;
use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Rules\RuleFields;
use App\Rules\RuleTrigger;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Carbon\CarbonImmutable;

/**
 * What decides which promise set applies: what a matter is, and not how it goes. Who waits, for how long and since when is what is
 * promised.
 */
final readonly class PromiseFields implements Fields
{
    private const KEYS = [
        'channel', 'account', 'category', 'customer_group', 'company',
        'language', 'team', 'tags', 'subject', 'public', 'mood', 'stars', 'orders',
        'customer_name', 'customer_orders', 'customer_ratings', 'order_total', 'order_currency', 'order_country', 'order_source',
        'order_status', 'automatic', 'goes_on',
    ];

    public function __construct(private RuleFields $fields) {}

    public function get(string $key): Field
    {
        return self::isAsked($key) ? $this->fields->get($key) : throw UnknownField::named($key);
    }

    public function all(): array
    {
        return array_filter($this->fields->all(), self::isAsked(...), ARRAY_FILTER_USE_KEY);
    }

    /**
     * @throws UnknownField
     */
    public function facts(Conversation $conversation, Condition ...$conditions): Facts
    {
        return $this->fields->facts(RuleTrigger::ofTime($conversation, null, '', CarbonImmutable::now()), ...$conditions);
    }

    private static function isAsked(string $key): bool
    {
        return in_array($key, self::KEYS, true) || str_starts_with($key, 'own.');
    }
}
