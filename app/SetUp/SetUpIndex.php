<?php

declare(strict_types=1);

namespace App\SetUp;

use App\Approvals\ApprovalsSetUp;
use App\Channels\ChannelsSetUp;
use App\Checklists\ChecklistsSetUp;
use App\Customers\CustomersSetUp;
use App\Fields\FieldsSetUp;
use App\History\HistorySetUp;
use App\Hours\HoursSetUp;
use App\Nudges\NudgesSetUp;
use App\People\PeopleSetUp;
use App\Promises\PromisesSetUp;
use App\Returns\ReturnsSetUp;
use App\Routing\RoutingSetUp;
use App\Rules\RulesSetUp;
use App\Sorting\SortingSetUp;
use App\Store\StoreSetUp;
use App\Team\Teammate;
use App\Team\TeamSetUp;
use App\Templates\TemplatesSetUp;
use Cairnfield\Core\Text\Folding;
use Illuminate\Contracts\Container\Container;

/**
 * All pages on which something is arranged, as far as somebody may open them.
 */
final class SetUpIndex
{
    /** In the order in which their pages stand in a group. */
    private const CONTRIBUTORS = [
        ChannelsSetUp::class,
        PeopleSetUp::class,
        TeamSetUp::class,
        RoutingSetUp::class,
        HoursSetUp::class,
        TemplatesSetUp::class,
        PromisesSetUp::class,
        RulesSetUp::class,
        NudgesSetUp::class,
        ReturnsSetUp::class,
        ApprovalsSetUp::class,
        SortingSetUp::class,
        FieldsSetUp::class,
        ChecklistsSetUp::class,
        CustomersSetUp::class,
        StoreSetUp::class,
        HistorySetUp::class,
    ];

    /** @var list<SetUpPage>|null */
    private ?array $pages = null;

    public function __construct(private readonly Container $container) {}

    /**
     * @return list<SetUpPage>
     */
    public function of(Teammate $teammate): array
    {
        return array_values(array_filter($this->all(), static fn (SetUpPage $page): bool => $page->isFor($teammate)));
    }

    /**
     * The group that an address belongs to, as far as somebody may open its pages.
     *
     * @return list<SetUpPage> empty where the address is of no page under Set up
     */
    public function neighbours(Teammate $teammate, string $path): array
    {
        foreach ($this->all() as $here) {
            if ($here->holds($path)) {
                return array_values(array_filter($this->of($teammate), static fn (SetUpPage $page): bool => $page->group === $here->group));
            }
        }

        return [];
    }

    public function holds(string $path): bool
    {
        return array_filter($this->all(), static fn (SetUpPage $page): bool => $page->holds($path)) !== [];
    }

    /**
     * By group, those that fit what is looked for; each with the settings that are meant.
     *
     * @return array<string, list<array{SetUpPage, list<string>}>>
     */
    public function find(Teammate $teammate, string $written): array
    {
        $folded = Folding::fold(trim($written));
        $found = [];
        foreach (SetUpGroup::cases() as $group) {
            foreach ($this->of($teammate) as $page) {
                $settings = $page->group === $group ? $page->found($folded) : null;
                if ($settings !== null) {
                    $found[$group->value][] = [$page, $folded === '' ? [] : $settings];
                }
            }
        }

        return $found;
    }

    /**
     * @return list<SetUpPage>
     */
    private function all(): array
    {
        return $this->pages ??= array_merge(...array_map(
            fn (string $contributor): array => $this->container->make($contributor)->pages(),
            self::CONTRIBUTORS,
        ));
    }
}
