<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Channels\Account;
use App\Channels\Mail\UnreadableMail;
use App\Channels\Services\EventTrace;
use App\Health\Heartbeats;
use App\Health\Part;
use App\Notifications\News;
use App\SetUp\SetUpIndex;
use App\Support\RandomUuid;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\SetAvailability;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;

/**
 * What stands on every page: who is signed in, and to administrators what needs mending.
 */
final class TopBar
{
    /** What one works with: where it is, which addresses belong to it, and who needs it; null for everybody. */
    private const PLACES = [
        'Queue' => ['/queue', ['queue*', 'conversations*', 'views*', 'bulk*', 'join'], null],
        'Returns' => ['/returns', ['returns*'], null],
        'Orders' => ['/orders', ['orders*', 'refunds*'], null],
        'Customers' => ['/customers', ['customers*', 'duplicates'], null],
        'Public' => ['/public', ['public*'], 'answer-customers'],
    ];

    /** Seconds of silence of an account that only its administrators are told of. */
    private const PASSING = 30;

    public function __construct(
        private readonly Request $request, private readonly SetUpIndex $setUp, private readonly StoreSettings $settings
    ) {}

    public function compose(View $view): void
    {
        if (! $this->request->attributes->has(self::class)) {
            $this->request->attributes->set(self::class, $this->content());
        }
        $view->with($this->request->attributes->get(self::class));
    }

    /**
     * @return array<string, mixed>
     */
    private function content(): array
    {
        $teammate = Auth::user();
        $administers = $teammate instanceof Teammate && $teammate->role->administers();

        $places = $teammate instanceof Teammate ? $this->places($teammate) : [];
        $isSetUp = $this->request->is('set-up') || $this->setUp->holds($this->request->path());

        return [
            'signedIn' => $teammate,
            'standing' => $teammate instanceof Teammate ? $teammate->standing() : null,
            'awayWords' => $teammate instanceof Teammate ? (array) $this->settings->get(SetAvailability::AWAY_WORDS, []) : [],
            'places' => $places,
            'isSetUp' => $isSetUp,
            'here' => $isSetUp ? 'Set up' : $this->nameOf($places),
            'setUpNeighbours' => $teammate instanceof Teammate ? $this->setUp->neighbours($teammate, $this->request->path()) : [],
            'administers' => $administers,
            'unreadableCount' => $administers ? UnreadableMail::query()->where('state', UnreadableMail::KEPT)->count() : 0,
            'troubleCount' => $administers ? EventTrace::query()->where('state', EventTrace::KEPT)->count() : 0,
            ...($teammate instanceof Teammate ? $this->told($teammate, $administers) : [
                'unreadNews' => 0, 'silentParts' => [], 'troubledAccounts' => [], 'whoMends' => '',
            ]),
            'callKey' => RandomUuid::make(),
        ];
    }

    /**
     * What they have not read, which parts of the program are dead, and which ways in are silent. Mostly nothing, and that is
     * asked at once.
     *
     * @return array{
     *     unreadNews: int, silentParts: list<array{Part, CarbonImmutable}>, troubledAccounts: iterable<Account>, whoMends: string
     * }
     */
    private function told(Teammate $teammate, bool $administers): array
    {
        $troubled = Account::troubled($administers ? 0 : self::PASSING);
        $there = WhatIsThere::ask(['news' => News::unread($teammate), 'silent' => Heartbeats::overdue(), 'troubled' => clone $troubled]);

        return [
            'unreadNews' => $there->has('news') ? News::unread($teammate)->count() : 0,
            'silentParts' => $there->has('silent') ? Heartbeats::silent() : [],
            'troubledAccounts' => $there->has('troubled') ? $troubled->orderBy('id')->get() : [],
            'whoMends' => $there->has('silent') || $there->has('troubled') ? Teammate::query()
                ->where('role', Role::Administrator)
                ->where('may_sign_in', true)
                ->orderBy('name')
                ->pluck('name')
                ->join(', ', ' or ') : '',
        ];
    }

    /**
     * @return list<array{string, string, bool}> name, address, and whether one is there
     */
    private function places(Teammate $teammate): array
    {
        $places = [];
        foreach (self::PLACES as $name => [$address, $below, $ability]) {
            if ($ability === null || Gate::forUser($teammate)->allows($ability)) {
                $places[] = [$name, $address, $this->request->is(...$below)];
            }
        }

        return $places;
    }

    /**
     * @param  list<array{string, string, bool}>  $places
     */
    private function nameOf(array $places): string
    {
        foreach ($places as [$name, , $isHere]) {
            if ($isHere) {
                return $name;
            }
        }

        return 'Places';
    }
}
