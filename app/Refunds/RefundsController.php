<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Approvals\ApprovalRefused;
use App\Approvals\AskRefundApproval;
use App\Approvals\SpendingLimits;
use App\Conversations\ConversationBeside;
use App\Orders\Order;
use App\Returns\CustomerReturn;
use App\Returns\InspectedWorth;
use App\Returns\ReturnReason;
use App\Returns\ReturnRefused;
use App\Support\RandomUuid;
use App\Support\StoreSettings;
use App\Team\SignedIn;
use App\Templates\Template;
use App\Workspace\Trail;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class RefundsController
{
    private const ROWS = 50;

    public function __construct(
        private IssueRefund $issue, private RetryRefund $retry, private WithdrawRefund $withdraw, private Trail $trail,
        private StoreSettings $settings, private PayOtherWay $otherWay, private SpendingLimits $limits,
        private AskRefundApproval $askApproval,
        private SettleDifference $difference
    ) {}

    public function sheet(Request $request, Order $order): View
    {
        $return = CustomerReturn::ofOrder($order, $request->integer('return'));
        $chosen = match (true) {
            $return !== null => InspectedWorth::of($return)->chosen($return, MoneyOfOrder::of($order)),
            $request->boolean('everything') => ChosenRefund::everything(MoneyOfOrder::of($order)),
            default => new ChosenRefund,
        };
        $return === null ?: $request->merge(['reason' => $return->reason->name]);

        return $this->page($request, $order, $chosen);
    }

    /**
     * After every change: the figures alone, or the whole page where there is no script.
     */
    public function reckon(Request $request, Order $order): View
    {
        $chosen = ChosenRefund::read($request->all());

        return $request->hasHeader('HX-Request')
            ? view('refunds.reckoned',
                [...$this->content($request, $order, $chosen), 'oob' => true])
            : $this->page($request, $order, $chosen);
    }

    public function store(Request $request, Order $order): RedirectResponse|View
    {
        $conversation = ConversationBeside::of($request);
        $written = $request->validate([
            'shown' => ['required', 'integer', 'min:0'], 'reason' => ['nullable', 'string', 'max:200'], 'once' => ['required', 'uuid'],
            'template' => ['nullable', 'integer'], 'tell_when' => ['nullable', 'in:asked,done'],
        ]);
        try {
            $chosen = ChosenRefund::read($request->all());
            $refund = $this->issue->issue(
                $order, $chosen, (int) $written['shown'], (string) ($written['reason'] ?? ''), $conversation,
                SignedIn::teammate($request), $written['once'], $this->told($request, $written), within: $this->limits
            );
        } catch (RefundsRefused|ReturnRefused $why) {
            return $this->page($request, $order, ChosenRefund::read($request->all()), $why->getMessage());
        }

        return redirect("/refunds/{$refund->id}")->with('done', "{$order->money($refund->total)} are on their way back.");
    }

    /**
     * Above what one gives back by oneself.
     */
    public function ask(Request $request, Order $order): RedirectResponse|View
    {
        $conversation = ConversationBeside::of($request);
        $written = $request->validate([
            'shown' => ['required', 'integer', 'min:0'], 'reason' => ['nullable', 'string', 'max:200'],
            'template' => ['nullable', 'integer'],
            'tell_when' => ['nullable', 'in:asked,done'], 'meanwhile' => ['nullable', 'integer'],
        ]);
        $chosen = ChosenRefund::read($request->all());
        try {
            $approval = $this->askApproval->ask(
                $order, $chosen, (int) $written['shown'], (string) ($written['reason'] ?? ''), $conversation, SignedIn::teammate($request),
                $this->told($request, $written), meanwhile: $this->template($request, (int) ($written['meanwhile'] ?? 0))
            );
        } catch (RefundsRefused|ApprovalRefused $why) {
            return $this->page($request, $order, $chosen, $why->getMessage());
        }

        return redirect("/approvals/{$approval->id}")->with('done', 'Asked. You are told when there is an answer.');
    }

    /**
     * What was given back last, and whether the provider's book agrees.
     */
    public function index(): View
    {
        return view('refunds.index', [
            'refunds' => Refund::query()->with(['order', 'teammate'])->orderByDesc('id')->simplePaginate(self::ROWS),
            'stuck' => Refund::query()->where('state', RefundState::Stuck)->with('order')->orderBy('id')->limit(self::ROWS)->get(),
            'report' => $this->settings->get(ReconcilePayments::REPORT), 'mayGive' => Gate::allows('give-back'),
        ]);
    }

    public function compare(): RedirectResponse
    {
        ReconcilePayments::dispatch();

        return redirect('/refunds')->with('done', 'It is being compared with the provider’s book.');
    }

    /**
     * What a difference to the provider's book is, as a person says.
     */
    public function settleDifference(Request $request, Payout $payout): RedirectResponse
    {
        $said = $request->validate(['do' => ['required', 'in:right,never_left'], 'note' => ['nullable', 'string', 'max:300']]);
        $said['do'] === 'right'
            ? $this->difference->isRight($payout, (string) ($said['note'] ?? ''), SignedIn::teammate($request))
            : $this->difference->neverLeft($payout);

        return redirect($said['do'] === 'right' ? '/refunds' : "/refunds/{$payout->refund_id}")->with('done', 'Settled.');
    }

    public function show(Refund $refund): View
    {
        $refund->load(['order.lines', 'lines.orderLine', 'payouts.payment', 'teammate', 'conversation', 'creditNotes.corrects']);
        $isRead = $refund->conversation !== null && Gate::allows('view', $refund->conversation);

        return view('refunds.show', [
            'refund' => $refund, 'order' => $refund->order, 'conversation' => $isRead ? $refund->conversation : null,
        ]);
    }

    public function again(Request $request, Refund $refund): RedirectResponse
    {
        $this->retry->again($refund, SignedIn::teammate($request));

        return redirect("/refunds/{$refund->id}")->with('done', 'It is tried again.');
    }

    public function otherWay(Request $request, Refund $refund): RedirectResponse
    {
        $how = (string) ($request->validate(['how' => ['nullable', 'string', 'max:200']])['how'] ?? '');
        $this->otherWay->propose($refund, $how, SignedIn::teammate($request));

        return redirect("/refunds/{$refund->id}")->with('done', 'It waits for the yes of a second person.');
    }

    public function agreeToOtherWay(Request $request, Refund $refund): RedirectResponse
    {
        $this->otherWay->agree($refund, SignedIn::teammate($request));

        return redirect("/refunds/{$refund->id}")->with('done', 'It counts as given back.');
    }

    /**
     * Where the card is gone.
     */
    public function asCredit(Request $request, Refund $refund): RedirectResponse
    {
        $this->retry->asCredit($refund, SignedIn::teammate($request));

        return redirect("/refunds/{$refund->id}")->with('done', 'It becomes store credit.');
    }

    public function withdraw(Request $request, Refund $refund): RedirectResponse
    {
        $this->withdraw->withdraw($refund, SignedIn::teammate($request));

        return redirect("/refunds/{$refund->id}")->with('done', 'It is withdrawn: its lines can be given back by another worksheet.');
    }

    private function page(Request $request, Order $order, ChosenRefund $chosen, ?string $problem = null): View
    {
        $conversation = ConversationBeside::of($request);
        $journal = $conversation === null ? null : $this->trail->journal($conversation);

        return view('refunds.sheet', [
            ...$this->content($request, $order, $chosen), 'problem' => $problem,
            'reasons' => ReturnReason::inUse()->pluck('name'),
            'reason' => is_string($request->input('reason')) ? $request->input('reason') : '',
            'said' => $conversation === null || $journal === null ? collect() : Trail::messages(
                $this->trail->of($conversation, $journal, false)
            )->take(-6),
            'template' => is_scalar($request->input('template')) ? (int) $request->input('template') : 0,
            'tellWhen' => $request->input('tell_when') === TellOfRefunds::WHEN_ASKED ? TellOfRefunds::WHEN_ASKED : TellOfRefunds::WHEN_DONE,
            'earlier' => Refund::query()->where('order_id', $order->id)->orderByDesc('id')->get(),
            'onceKey' => RandomUuid::make(),
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private function content(Request $request, Order $order, ChosenRefund $chosen): array
    {
        $conversation = ConversationBeside::of($request);
        $sheet = Worksheet::of($order->loadMissing(['lines', 'payments']), $chosen);
        [$bar, $parts] = PaymentSplit::of($sheet);
        $quoted = [];
        foreach ($sheet->quote->lines ?? [] as $line) {
            $quoted[(int) $line->line] = $line->amount;
        }

        return [
            'order' => $order, 'sheet' => $sheet, 'chosen' => $chosen, 'back' => $sheet->money->unitsBack(), 'quoted' => $quoted,
            'bar' => $bar, 'parts' => $parts, 'oob' => false,
            'above' => $sheet->quote === null ? null : $this->limits->why(SignedIn::teammate($request), $sheet),
            'conversation' => $conversation,
            'templates' => $conversation === null ? collect() : self::templates($request)->pluck('name', 'id'),
            'meanwhile' => is_scalar($request->input('meanwhile')) ? (int) $request->input('meanwhile') : 0,
        ];
    }

    /**
     * @param  array<string, mixed>  $written
     */
    private function told(Request $request, array $written): ?ToldWith
    {
        $template = $this->template($request, (int) ($written['template'] ?? 0));

        return $template === null ? null : new ToldWith($template, ($written['tell_when'] ?? '') !== TellOfRefunds::WHEN_ASKED);
    }

    private function template(Request $request, int $id): ?int
    {
        return $id === 0 ? null : self::templates($request)->findOrFail($id)->id;
    }

    /**
     * @return Builder<Template>
     */
    private static function templates(Request $request): Builder
    {
        return Template::seenBy(SignedIn::teammate($request))->whereNull('retired_at')->orderBy('name');
    }
}
