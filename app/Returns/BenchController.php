<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Refunds\MoneyOfOrder;
use App\Refunds\Worksheet;
use App\Support\Written;
use App\Team\SignedIn;
use App\Templates\Template;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * The returns bench: what waits there, found by its label, inspected and settled.
 */
final readonly class BenchController
{
    private const ROWS = 40;

    public function __construct(
        private ArriveAtBench $arrive, private InspectReturn $inspect, private DecideReturn $decide, private SettleReturn $settle,
        private NameLabel $label, private KeepPhotos $photos
    ) {}

    public function index(Request $request): View
    {
        $counts = BenchTab::counts();
        $usual = $counts[BenchTab::Arrived->value] > 0 ? BenchTab::Arrived : BenchTab::Decide;

        return $this->page($request, BenchTab::tryFrom(Written::text($request, 'tab')) ?? $usual, null);
    }

    public function show(Request $request, CustomerReturn $return): View
    {
        return $this->page($request, BenchTab::tryFrom(Written::text($request, 'tab')) ?? BenchTab::holding($return), $return);
    }

    /**
     * A label under the scanner: whatever it belongs to is here.
     */
    public function scan(Request $request): RedirectResponse
    {
        $code = (string) $request->validate(['code' => ['required', 'string', 'max:200']])['code'];
        $return = $this->arrive->find($code);
        $wasHere = ! $return->state->isExpected();
        $return = $this->arrive->arrive($return, Actor::teammate(SignedIn::teammate($request)));

        return redirect("/returns/{$return->id}")->with('done', $wasHere
            ? "{$return->number()} is {$return->state->label()}."
            : "{$return->number()} has arrived.");
    }

    public function arrive(Request $request, CustomerReturn $return): RedirectResponse
    {
        return $this->done($this->arrive->arrive($return, $this->actor($request)));
    }

    public function agree(Request $request, CustomerReturn $return): RedirectResponse
    {
        return $this->done($this->decide->agree($return, $this->actor($request), $request->boolean('own_label')));
    }

    public function decline(Request $request, CustomerReturn $return): RedirectResponse
    {
        $why = (string) ($request->validate(['why' => ['nullable', 'string', 'max:300']])['why'] ?? '');

        return $this->done($this->decide->decline($return, $why, $this->actor($request)));
    }

    public function withdraw(Request $request, CustomerReturn $return): RedirectResponse
    {
        return $this->done($this->decide->withdraw($return, $this->actor($request)));
    }

    public function inspect(Request $request, CustomerReturn $return): RedirectResponse
    {
        $written = $request->validate(['others' => ['nullable', 'string', 'max:2000']]);
        $grades = $toStock = [];
        foreach ((array) $request->input('units') as $line => $units) {
            foreach (is_array($units) ? array_values($units) : [] as $place => $unit) {
                $grade = is_array($unit) && is_string($unit['grade'] ?? null) ? Grade::tryFrom($unit['grade']) : null;
                $grades[(int) $line][$place] = $grade;
                $toStock[(int) $line][$place] = is_array($unit) && ($unit['stock'] ?? null) === '1';
            }
        }
        $inspected = $this->inspect->inspect(
            $return, $grades, $toStock, explode("\n", (string) ($written['others'] ?? '')), SignedIn::teammate($request)
        );
        $next = BenchTab::Arrived->of(CustomerReturn::query())->first();

        return redirect($next === null ? '/returns?tab='.BenchTab::Settle->value : "/returns/{$next->id}")
            ->with('done', "{$inspected->number()} is inspected.");
    }

    /**
     * Without any money: sent to the customer again, or worth nothing.
     */
    public function settle(Request $request, CustomerReturn $return): RedirectResponse
    {
        $as = $request->validate(['as' => ['required', Rule::in([SettledAs::SentBack->value, SettledAs::Nothing->value])]])['as'];

        return $this->done($this->settle->without($return, SettledAs::from($as), $this->actor($request)));
    }

    public function label(Request $request, CustomerReturn $return): RedirectResponse
    {
        $number = (string) ($request->validate(['number' => ['nullable', 'string', 'max:100']])['number'] ?? '');
        $number === '' ? $this->label->askAgain($return) : $this->label->by($return, $number);

        return redirect("/returns/{$return->id}")->with('done', $number === ''
            ? 'The carrier is asked for the label again.'
            : "Its parcel is {$number}.");
    }

    public function photos(Request $request, CustomerReturn $return): RedirectResponse
    {
        $uploads = array_values(array_filter((array) $request->file('photos'),
            static fn (mixed $one): bool => $one instanceof UploadedFile));
        $this->photos->keep($return, $uploads);

        return redirect("/returns/{$return->id}")->with('done', $uploads === [] ? 'No photo was chosen.' : 'Kept.');
    }

    private function page(Request $request, BenchTab $tab, ?CustomerReturn $return): View
    {
        $part = FlowPart::tryFrom(Written::text($request, 'part'));
        $reason = Written::number($request, 'reason');
        $flow = FlowOfReturns::lastDays($reason);
        $listed = $part === null ? $tab->of(CustomerReturn::query()) : $flow->behind($part)->orderByDesc('id');

        return view('returns.bench', [
            'tab' => $tab, 'counts' => BenchTab::counts(), 'part' => $part, 'reason' => $reason, 'flow' => $flow,
            'reasons' => ReturnReason::query()->orderBy('position')->get(),
            'returns' => $listed->with(['order', 'customer', 'reason', 'lines.orderLine', 'units', 'conversation'])
                ->simplePaginate(self::ROWS)->withQueryString(),
            ...($return === null ? ['return' => null] : $this->selected($return)),
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private function selected(CustomerReturn $return): array
    {
        $return->load([
            'order.lines', 'order.payments', 'customer', 'reason', 'lines.orderLine', 'units', 'photos', 'conversation', 'inspector',
            'notices.template',
            'refunds.order', 'teammate',
        ]);
        $settles = $return->state === ReturnState::Inspected;
        $money = $settles ? MoneyOfOrder::of($return->order) : null;

        return [
            'return' => $return, 'terms' => $return->agreedTerms(), 'mayDecide' => Gate::allows('answer-customers'),
            'mayGive' => Gate::allows('give-back'), 'way' => WayOfReturn::of($return),
            'conversation' => $return->conversation !== null && Gate::allows('view', $return->conversation) ? $return->conversation : null,
            'worth' => $money === null ? null : Worksheet::of($return->order, InspectedWorth::of($return)->chosen($return, $money)),
            'tells' => Template::query()->whereKey(array_filter(array_map(
                ReturnSettings::toldWith(...), array_keys(ReturnSettings::TOLD)
            )))->pluck('name', 'id'),
            'holds' => $return->state === ReturnState::Asked ? OfferedReturn::termsOf($return) : [],
            'stock' => $return->state === ReturnState::Arrived ? StockOfReturn::of($return) : [],
        ];
    }

    private function done(CustomerReturn $return): RedirectResponse
    {
        return redirect("/returns/{$return->id}")->with('done', "{$return->number()} is {$return->state->label()}.");
    }

    private function actor(Request $request): Actor
    {
        return Actor::teammate(SignedIn::teammate($request));
    }
}
