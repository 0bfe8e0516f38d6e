<?php

declare(strict_types=1);

namespace App\Search;

use App\Companies\Company;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\Handle;
use App\Orders\Order;
use App\Orders\OrderNumbers;
use App\Queue\QueueView;
use App\SetUp\SetUpIndex;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Teammate;
use App\Views\SavedView;
use Cairnfield\Core\Text\Folding;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * What the box “go to or do” finds: pages, views, orders, people, conversations by their number. What can be
 * done on the page itself, the browser adds.
 */
final readonly class GoToController
{
    private const OF_EACH = 5;

    private const PAGES = [
        'Queue' => '/queue', 'Search' => '/search', 'Public' => '/public', 'Customers' => '/customers', 'Companies' => '/companies',
        'Duplicates' => '/duplicates',
        'Orders' => '/orders',
        'Write down a call' => '/calls/new',
        'New view' => '/views/new',
        'Own settings' => '/own-settings',
        'Tasks' => '/tasks',
        'News' => '/news',
        'Set up' => '/set-up', 'New template' => '/templates/new',
    ];

    public function __construct(private SetUpIndex $setUp, private OrderNumbers $numbers) {}

    public function find(Request $request): View
    {
        Gate::authorize('viewAny', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = trim(mb_substr(Written::text($request, 'q'), 0, 100));
        $folded = Folding::fold($written);

        return view('search.go-to', ['written' => $written, 'found' => $folded === '' ? $this->places($teammate, '') : [
            ...$this->conversations($written),
            ...$this->orders($written),
            ...$this->places($teammate, $folded),
            ...$this->people($folded),
            ...$this->companies($folded),
        ]]);
    }

    /**
     * @return list<array{string, string, string}> kind, label, address
     */
    private function places(Teammate $teammate, string $folded): array
    {
        $pages = [...self::PAGES, ...($teammate->role->arranges() ? ['New rule' => '/rules/new'] : [])];
        foreach ($this->setUp->of($teammate) as $page) {
            $pages[$page->title] = $page->address;
        }
        foreach (QueueView::cases() as $view) {
            $pages["Queue: {$view->label()}"] = "/queue/{$view->value}";
        }
        foreach (SavedView::seenBy($teammate)->get() as $view) {
            $pages["Queue: {$view->name}"] = "/queue/{$view->id}";
        }
        $found = [];
        foreach ($pages as $label => $address) {
            if ($folded === '' || preg_match('/(?:^|[^\p{L}\p{N}])'.preg_quote($folded, '/').'/u', Folding::fold((string) $label)) === 1) {
                $found[] = ['page', (string) $label, $address];
            }
        }

        return $found;
    }

    /**
     * @return list<array{string, string, string}>
     */
    private function conversations(string $written): array
    {
        $id = preg_match('/^c?-?(\d{1,12})$/iD', $written, $number) === 1 ? (int) $number[1] : 0;
        $conversation = $id === 0 ? null : Conversation::readable()->find($id);

        return $conversation === null
            ? []
            : [
                [
                    'conversation', ConversationNumber::show($conversation->id)." {$conversation->subject}",
                    "/conversations/{$conversation->id}",
                ],
            ];
    }

    /**
     * @return list<array{string, string, string}>
     */
    private function orders(string $written): array
    {
        $key = OrderNumbers::key($written);
        if (preg_match('/\d{3}/', $key) !== 1) {
            return [];
        }
        $keys = $this->numbers->keysOf($written);

        return array_values(Order::query()
            ->where(static fn ($any) => $any->where('number_key', 'like', "{$key}%")->orWhere('marketplace_key', 'like', "{$key}%")
                ->orWhereIn('number_key', $keys)->orWhereIn('marketplace_key', $keys))
            ->orderByDesc('placed_at')
            ->limit(self::OF_EACH)
            ->get()
            ->map(static fn (Order $order): array => ['order', "{$order->number}, {$order->buyer_name}", "/orders/{$order->id}"])->all());
    }

    /**
     * @return list<array{string, string, string}>
     */
    private function people(string $folded): array
    {
        $begins = addcslashes($folded, '\\%_');
        $byHandle = Handle::query()->where('value', 'like', "{$begins}%")->limit(self::OF_EACH)->pluck('customer_id');

        return array_values(Customer::query()->whereNull('merged_into_id')
            ->where(static fn ($people) => $people->where('name_folded', 'like', "{$begins}%")->orWhereIn('id', $byHandle))
            ->orderBy('name_folded')->limit(self::OF_EACH)->get()
            ->map(static fn (Customer $customer): array => ['customer', $customer->name, "/customers/{$customer->id}"])->all());
    }

    /**
     * @return list<array{string, string, string}>
     */
    private function companies(string $folded): array
    {
        $begins = addcslashes($folded, '\\%_');

        return array_values(Company::inUse()->where('name_folded', 'like', "{$begins}%")->limit(self::OF_EACH)->get()
            ->map(static fn (Company $company): array => ['company', $company->name, "/companies/{$company->id}"])->all());
    }
}
