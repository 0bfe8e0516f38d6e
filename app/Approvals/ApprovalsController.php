<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\Refund;
use App\Refunds\Worksheet;
use App\Returns\CustomerReturn;
use App\Team\SignedIn;
use App\Team\Teammate;
use App\Workspace\Trail;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

final readonly class ApprovalsController
{
    private const SHOWN = 10;

    /** The latest messages of a conversation; the others are a click away. */
    private const MESSAGES = 60;

    public function __construct(private AskApproval $ask, private AnswerApproval $answer, private WhoApproves $who, private Trail $trail) {}

    /**
     * All that waits, as far as one reads it.
     */
    public function index(Request $request): View
    {
        return view('approvals.index', [
            'approvals' => Approval::query()->where('state', ApprovalState::Asked)->with(['askedBy', 'conversation'])->orderBy('asked_at')
                ->get()
                ->filter(static fn (Approval $one): bool => Gate::allows('view', $one))->values(),
        ]);
    }

    /**
     * A worksheet with what is known of its customer, for who says yes or no to it.
     */
    public function show(Request $request, Approval $approval): View|RedirectResponse
    {
        Gate::authorize('view', $approval);
        if (! $approval->isOfMoney()) {
            return redirect()->route('conversation', $approval->conversation_id);
        }
        $approval->load(['askedBy', 'conversation']);
        $order = Order::query()->with(['lines', 'payments'])->findOrFail($approval->order_id);
        $sheet = Worksheet::of($order, ChosenRefund::read((array) ($approval->worksheet['chosen'] ?? [])));
        $journal = $approval->conversation === null ? null : $this->trail->journal($approval->conversation);

        return view('approvals.money', [
            'approval' => $approval, 'order' => $order, 'sheet' => $sheet, 'conversation' => $approval->conversation,
            'isChanged' => $approval->state === ApprovalState::Asked && $sheet->total() !== $approval->amount,
            'mayAnswer' => Gate::allows('answer', $approval), 'mayWithdraw' => Gate::allows('withdraw', $approval),
            'waitsFor' => implode(', ', array_map(static fn (Teammate $one): string => $one->name, $this->who->people($approval))),
            'said' => $approval->conversation === null || $journal === null ? collect() : Trail::messages(
                $this->trail->of($approval->conversation, $journal, false)
            )->take(-self::MESSAGES),
            'history' => [
                'orders' => Order::query()->where('customer_id', $order->customer_id)->whereNotNull('customer_id')->count(),
                'returns' => CustomerReturn::query()->where('customer_id', $order->customer_id)->whereNotNull('customer_id')->count(),
                'refunds' => Refund::query()->whereIn('order_id', Order::query()->where('customer_id', $order->customer_id)
                    ->whereNotNull('customer_id')->orWhere('id', $order->id)->select('id'))->with('order')->orderByDesc('id')
                    ->limit(self::SHOWN)->get(),
            ],
        ]);
    }

    public function store(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('hold', $conversation);
        $asked = $request->validate([
            'question' => ['required', 'string', 'max:500'],
            'of' => ['nullable', 'integer', Rule::exists('teammates', 'id')->where('may_sign_in', true)],
        ]);
        $of = isset($asked['of']) ? Teammate::query()->findOrFail((int) $asked['of']) : null;
        $this->ask->ask($conversation, $asked['question'], $of, Actor::teammate(SignedIn::teammate($request)));

        return redirect()
            ->route('conversation', $conversation)
            ->with('done', 'Asked '.($of->name ?? 'the leads').'. It is held until there is an answer.');
    }

    public function answer(Request $request, Approval $approval): RedirectResponse
    {
        $answered = $request->validate([
            'answer' => ['nullable', 'string', 'max:500'], 'do' => ['required', Rule::in(['give', 'decline', 'withdraw'])],
        ]);
        Gate::authorize($answered['do'] === 'withdraw' ? 'withdraw' : 'answer', $approval);
        $answered['do'] === 'withdraw'
            ? $this->answer->withdraw($approval, SignedIn::teammate($request))
            : $this->answer->answer(
                $approval, $answered['do'] === 'give', (string) ($answered['answer'] ?? ''), SignedIn::teammate($request)
            );

        return redirect($approval->isOfMoney() ? "/approvals/{$approval->id}" : route('conversation', $approval->conversation_id))
            ->with('done', ['give' => 'Approved.', 'decline' => 'Declined.', 'withdraw' => 'Withdrawn.'][$answered['do']]);
    }
}
