<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Conversations\ConversationBeside;
use App\Orders\Order;
use App\Support\RandomUuid;
use App\Support\Refused;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * What is to come back of an order: said what holds before anything is promised, and written down.
 */
final readonly class AskReturnController
{
    public function __construct(private AskReturn $ask, private DecideReturn $decide, private ArriveAtBench $arrive) {}

    public function form(Request $request, Order $order): View
    {
        return $this->page($request, $order, null);
    }

    /**
     * What holds, after every change of the form.
     */
    public function offer(Request $request, Order $order): View
    {
        return $request->hasHeader('HX-Request')
            ? view('returns.offered', self::offered($request, $order))
            : $this->page($request, $order, null);
    }

    public function store(Request $request, Order $order): RedirectResponse|View
    {
        $conversation = ConversationBeside::of($request);
        $written = $request->validate([
            'note' => ['nullable', 'string', 'max:500'], 'once' => ['required', 'uuid'], 'then' => ['nullable', 'in:asked,agree,own,here'],
        ]);
        $teammate = SignedIn::teammate($request);
        $actor = Actor::teammate($teammate);
        $then = $written['then'] ?? 'asked';
        try {
            $return = $this->ask->ask(
                $order, self::units($request), self::reason($request), (string) ($written['note'] ?? ''), $request->boolean('despite'),
                $conversation, $teammate, $written['once']
            );
            if ($return->state === ReturnState::Asked && in_array($then, ['agree', 'own'], true)) {
                Gate::authorize('answer-customers');
                $return = $this->decide->agree($return, $actor, $then === 'own');
            }
            $return = $then === 'here' ? $this->arrive->arrive($return, $actor) : $return;
        } catch (Refused $why) {
            return $this->page($request, $order, $why->getMessage());
        }

        return redirect("/returns/{$return->id}")->with('done', "{$return->number()} is {$return->state->label()}.");
    }

    private function page(Request $request, Order $order, ?string $problem): View
    {
        $order->loadMissing('lines');

        return view('returns.ask', [
            ...self::offered($request, $order), 'problem' => $problem, 'conversation' => ConversationBeside::of($request),
            'reasons' => ReturnReason::inUse()->whereHas('policies', static fn ($policies) => $policies->whereNull('retired_at'))->get(),
            'left' => UnitsInReturns::left($order), 'units' => self::units($request), 'onceKey' => RandomUuid::make(),
            'note' => is_string($request->input('note')) ? $request->input('note') : '',
            'earlier' => CustomerReturn::query()->where('order_id', $order->id)->with('reason')->orderByDesc('id')->get(),
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private static function offered(Request $request, Order $order): array
    {
        $reason = self::reason($request);
        $offered = $why = null;
        try {
            $offered = $reason === null ? null : OfferedReturn::of($order, $reason, self::units($request));
        } catch (ReturnRefused $refused) {
            $why = $refused->getMessage();
        }

        return [
            'order' => $order, 'reason' => $reason, 'offered' => $offered, 'why' => $why, 'despite' => $request->boolean('despite'),
            'mayDecide' => Gate::allows('answer-customers'),
        ];
    }

    /**
     * @return array<int, int> by the id of the order's line
     */
    private static function units(Request $request): array
    {
        $units = [];
        foreach ((array) $request->input('lines') as $line => $quantity) {
            if (is_int($line) && is_string($quantity) && ctype_digit($quantity) && (int) $quantity > 0) {
                $units[$line] = min(1_000_000, (int) $quantity);
            }
        }

        return $units;
    }

    private static function reason(Request $request): ?ReturnReason
    {
        $id = $request->input('reason');

        return is_scalar($id) && ctype_digit((string) $id) ? ReturnReason::inUse()->find((int) $id) : null;
    }
}
