<?php

declare(strict_types=1);

use App\Approvals\AnswerApproval;
use App\Approvals\Approval;
use App\Approvals\ApprovalRefused;
use App\Approvals\ApprovalState;
use App\Approvals\AskRefundApproval;
use App\Approvals\RemindOfApprovals;
use App\Approvals\SpendingLimits;
use App\Approvals\WhoApproves;
use App\Channels\Channel;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Notifications\News;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\Refund;
use App\Refunds\RefundsRefused;
use App\Refunds\Worksheet;
use App\Sorting\Outcome;
use App\Support\StoreSettings;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Limits by role, and the yes of a second person to a worksheet: to just that one.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    [$this->ilse, $this->mads, $this->corin] = array_map($this->teammate(...), ['ilse', 'mads', 'corin']);
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Torn'], 'B-20388 is torn.');
    $this->limits = fn (array $care, ?array $secondAbove = null) => app(StoreSettings::class)->put(SpendingLimits::NAME, [
        'limits' => ['care' => $care, 'lead' => []], 'second_above' => $secondAbove, 'remind' => 2,
    ]);
    $this->ask = function (ChosenRefund $chosen, ?Teammate $by = null): Approval {
        return app(AskRefundApproval::class)->ask(
            $this->order, $chosen, Worksheet::of($this->order->refresh(), $chosen)->total(), 'Faulty', $this->conversation, $by
                ?? $this->ilse, null
        );
    };
    $this->why = fn (Teammate $who, ChosenRefund $chosen): ?string => app(SpendingLimits::class)->why(
        $who, Worksheet::of($this->order->refresh(), $chosen)
    );
    $this->form = fn (array $with): array => [
        'lines' => [$this->kite->id => '1'], 'delivery' => 'none', 'reason' => 'Faulty', 'once' => Str::uuid()->toString(),
        'shown' => 11900,
        'conversation' => $this->conversation->id, ...$with,
    ];
});

it('lets each role give back up to its limits, in each currency, and to one customer within thirty days', function (): void {
    $kite = new ChosenRefund([$this->kite->id => 1]);
    $tail = new ChosenRefund([$this->tails->id => 1]);
    expect(($this->why)($this->ilse, $tail))->toContain('a second person says yes')->and(($this->why)($this->mads, $kite))->toBeNull();
    ($this->limits)(['refund' => ['EUR' => 5000], 'customer' => ['EUR' => 2000], 'goodwill' => ['EUR' => 500]]);
    expect(($this->why)($this->ilse, $tail))->toBeNull()
        ->and(($this->why)($this->ilse, $kite))->toContain('above the €50.00 that you give back by yourself')
        ->and(($this->why)($this->ilse, new ChosenRefund(goodwill: '5.01')))->toContain('the goodwill is above the €5.00');
    app(IssueRefund::class)->issue($this->order, $tail, 1250, 'Faulty', null, $this->ilse, 'one');
    expect(($this->why)($this->ilse, $tail))->toContain('with the €12.50 of the last 30 days it is above the €20.00 for one customer');
    CarbonImmutable::setTestNow(now()->addDays(31));
    expect(($this->why)($this->ilse, $tail))->toBeNull();
    // A currency that nobody has named is nothing.
    ($this->limits)(['refund' => ['DKK' => 5000]]);
    expect(($this->why)($this->ilse, $tail))->not->toBeNull();
});

it('gives back what is within the limit, and asks for what is above, on the page too', function (): void {
    ($this->limits)(['refund' => ['EUR' => 5000], 'customer' => ['EUR' => 50000], 'goodwill' => []]);
    $at = "/orders/{$this->order->id}/refund";
    $this->actingAs($this->ilse)->post("{$at}/reckon", ($this->form)([]), ['HX-Request' => 'true'])->assertSee('Ask to give back')
        ->assertSee('€119.00');
    $this->post($at, ($this->form)([]))->assertSee('by yourself: ask for it.');
    expect(Refund::query()->count())->toBe(0);
    $this->post("{$at}/ask", ($this->form)([]))->assertRedirect('/approvals/'.Approval::query()->sole()->id);
    expect($this->conversation->refresh()->state)->toBe(ConversationState::Held);
    $this->post($at, ($this->form)(['lines' => [$this->tails->id => '1'], 'shown' => 1250]))->assertRedirect();
    expect(Refund::query()->sole()->total)->toBe(1250);
});

it('has just that worksheet given back on a yes of somebody else, in the name of who asked', function (): void {
    $approval = ($this->ask)(new ChosenRefund([$this->kite->id => 1], 'share'));
    expect(fn () => ($this->ask)(new ChosenRefund([$this->tails->id => 1])))->toThrow(ApprovalRefused::class, 'asked for already');
    $this->actingAs($this->ilse)->post("/approvals/{$approval->id}", ['do' => 'give'])->assertForbidden();
    $this->actingAs($this->teammate('ruta'))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertForbidden();
    $this->actingAs($this->mads)->get("/approvals/{$approval->id}")->assertOk()->assertSee('Approve €134.70')->assertSee('B-20388 is torn.')
        ->assertSee('Nothing has been given back to them before.');
    $this->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('done');
    $refund = Refund::query()->sole();
    expect($refund->total)->toBe(13470)->and($refund->teammate_id)->toBe($this->ilse->id)
        ->and($approval->refresh()->state)->toBe(ApprovalState::Given)->and($approval->refund_id)->toBe($refund->id)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
    // Pressed once more.
    $this->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('problem_code', 'already_answered');
    expect(Refund::query()->count())->toBe(1);
});

it('needs a new yes where the order has changed since', function (): void {
    $approval = ($this->ask)(new ChosenRefund(delivery: 'all'));
    app(IssueRefund::class)
        ->issue($this->order, new ChosenRefund([$this->kite->id => 1], 'share'), 13470, 'Faulty', null, $this->mads, 'one');
    expect(fn () => app(AnswerApproval::class)->answer($approval, true, '', $this->mads))
        ->toThrow(RefundsRefused::class, 'would go back now')
        ->and($approval->refresh()->state)->toBe(ApprovalState::Asked)->and(Refund::query()->count())->toBe(1);
    $this->actingAs($this->mads)->get("/approvals/{$approval->id}")->assertSee('The order has changed since')
        ->assertDontSee('value="give"', false);
    $this->post("/approvals/{$approval->id}", ['do' => 'decline', 'answer' => 'Ask anew, please.'])->assertSessionHas('done');
    expect(News::query()->where('teammate_id', $this->ilse->id)->where('kind', 'approval_answered')->sole()->text)
        ->toContain('no, Ask anew')
        ->and(fn () => app(AnswerApproval::class)->answer($approval->refresh(), false, ' ', $this->mads))
        ->toThrow(ApprovalRefused::class, 'Say why not');
});

it('goes from the lead to the administrator above what is set, and never to one person twice', function (): void {
    ($this->limits)([], ['EUR' => 10000]);
    $approval = ($this->ask)(new ChosenRefund([$this->kite->id => 1]));
    expect($approval->steps)->toBe(['lead', 'administrator']);
    app(AnswerApproval::class)->answer($approval, true, '', $this->mads);
    $approval->refresh();
    expect($approval->state)->toBe(ApprovalState::Asked)->and(Refund::query()->count())->toBe(0)->and($approval->needs()->value)
        ->toBe('administrator')
        ->and(app(WhoApproves::class)->may($this->mads, $approval))->toBeFalse()
        ->and(News::query()->where('source', "approval-{$approval->id}-1")->pluck('teammate_id')->all())->toBe([$this->corin->id]);
    app(AnswerApproval::class)->answer($approval, true, '', $this->corin);
    expect(Refund::query()->count())->toBe(1)->and(array_column($approval->refresh()->given, 'name'))
        ->toBe(['Mads Overgaard', 'Corin Hale']);
});

it('is enough with the yes of who stands above all steps', function (): void {
    ($this->limits)([], ['EUR' => 10000]);
    app(AnswerApproval::class)->answer(($this->ask)(new ChosenRefund([$this->kite->id => 1])), true, '', $this->corin);
    expect(Refund::query()->count())->toBe(1);
});

it('is answered by a deputy while the approver is away, and only then', function (): void {
    $ruta = $this->teammate('ruta');
    $this->mads->forceFill(['deputy_id' => $ruta->id])->save();
    $approval = ($this->ask)(new ChosenRefund([$this->tails->id => 1]));
    $who = app(WhoApproves::class);
    expect($who->may($ruta, $approval))->toBeFalse();
    $this->mads->forceFill(['away_from' => now()->subHour()])->save();
    expect($who->may($ruta, $approval))->toBeTrue()->and(array_column($who->people($approval), 'id'))->toContain($ruta->id);
    $this->actingAs($ruta)->post("/approvals/{$approval->id}", ['do' => 'give'])->assertSessionHas('done');
    expect(Refund::query()->count())->toBe(1);
    // For what they ask themselves they are nobody's deputy.
    $own = ($this->ask)(new ChosenRefund([$this->tails->id => 1]), $ruta);
    expect($who->may($ruta, $own))->toBeFalse();
});

it('does not count a deputy’s yes for the next step where the first was said at the same moment', function (): void {
    ($this->limits)([], ['EUR' => 10000]);
    $ruta = $this->teammate('ruta');
    $this->mads->forceFill(['deputy_id' => $ruta->id, 'away_from' => now()->subHour()])->save();
    $approval = ($this->ask)(new ChosenRefund([$this->kite->id => 1]));
    $asRutaSawIt = Approval::query()->findOrFail($approval->id);
    app(AnswerApproval::class)->answer($approval, true, '', $this->mads);
    expect(fn () => app(AnswerApproval::class)->answer($asRutaSawIt, true, '', $ruta))->toThrow(ApprovalRefused::class, 'in the meantime')
        ->and($approval->refresh()->needs()->value)->toBe('administrator')->and(Refund::query()->count())->toBe(0);
});

it('reminds every few working days of all that still waits, in one message', function (): void {
    ($this->ask)(new ChosenRefund([$this->kite->id => 1]));
    $reminders = fn (): array => News::query()->where('teammate_id', $this->mads->id)->where('source', 'like', 'approvals-%')
        ->pluck('text')->all();
    app(RemindOfApprovals::class)();
    CarbonImmutable::setTestNow('2026-11-25T10:00:01Z');
    app(RemindOfApprovals::class)();
    app(RemindOfApprovals::class)();
    expect($reminders())->toHaveCount(1)->and($reminders()[0])->toContain('Still waits for your yes or no: Give back €119.00 of B-20388');
    CarbonImmutable::setTestNow('2026-11-26T10:00:00Z');
    app(RemindOfApprovals::class)();
    expect($reminders())->toHaveCount(1);
    CarbonImmutable::setTestNow('2026-11-27T10:00:02Z');
    app(RemindOfApprovals::class)();
    expect($reminders())->toHaveCount(2);
    app(AnswerApproval::class)->answer(Approval::query()->sole(), false, 'No.', $this->mads);
    CarbonImmutable::setTestNow('2026-12-04T10:00:00Z');
    app(RemindOfApprovals::class)();
    expect($reminders())->toHaveCount(2);
});

it('asks without a conversation as well, and is seen by those who answer customers alone', function (): void {
    $chosen = new ChosenRefund([$this->kite->id => 1]);
    $approval = app(AskRefundApproval::class)->ask($this->order, $chosen, 11900, 'Faulty', null, $this->ilse, null);
    $this->actingAs($this->teammate('femi'))->get("/approvals/{$approval->id}")->assertNotFound();
    $this->actingAs($this->mads)->get('/approvals')->assertSee('Give back €119.00 of B-20388');
    $this->post("/approvals/{$approval->id}", ['do' => 'give'])->assertRedirect("/approvals/{$approval->id}");
    expect(Refund::query()->count())->toBe(1);
});

it('says that nobody else could say yes, before anything is held', function (): void {
    Teammate::query()->whereIn('role', ['lead', 'administrator'])->whereKeyNot($this->mads->id)->update(['may_sign_in' => false]);
    ($this->limits)([], null);
    expect(fn () => ($this->ask)(new ChosenRefund([$this->kite->id => 1]), $this->mads))->toThrow(ApprovalRefused::class, 'nobody else')
        ->and($this->conversation->refresh()->state)->not->toBe(ConversationState::Held)->and(Approval::query()->count())->toBe(0);
});

it('keeps the limits as they are written, and refuses what cannot be read', function (): void {
    $form = ['limits' => ['care' => ['refund' => '50.00 EUR, 370.00 DKK', 'customer' => '', 'goodwill' => '5 EUR'],
        'lead' => ['refund' => '']],
        'second_above' => '500.00 EUR', 'remind' => 3];
    $this->actingAs($this->mads)->post('/approval-limits', $form)->assertForbidden();
    $this->actingAs($this->corin)->post('/approval-limits', $form)->assertSessionHas('done');
    $limits = app(SpendingLimits::class);
    expect($limits->limit($this->ilse->role, 'refund', 'DKK'))->toBe(37000)->and($limits->limit($this->ilse->role, 'customer', 'EUR'))
        ->toBe(0)
        ->and($limits->limit($this->mads->role, 'refund', 'EUR'))->toBeNull()->and($limits->remindAfter())->toBe(3)
        ->and(count($limits->steps(50001, 'EUR')))->toBe(2)->and(count($limits->steps(50000, 'EUR')))->toBe(1);
    $this->get('/approval-limits')->assertSee('50.00 EUR, 370.00 DKK');
    $this->post('/approval-limits', [...$form, 'second_above' => 'much'])->assertSessionHas('problem_code', 'bad_amount');
});

/**
 * A template that says something, and would resolve the conversation.
 */
function waitingTemplate(string $text): int
{
    $id = (int) DB::table('templates')->insertGetId([
        'name' => 'We are looking at it', 'folder' => '', 'shared_with' => 'everybody', 'version' => 1, 'updated_at' => now(),
        'steps' => json_encode([['do' => 'then', 'value' => 'resolved:'.Outcome::query()->firstOrFail()->id]]),
    ]);
    DB::table('template_languages')->insert(['template_id' => $id, 'language' => 'en', 'text' => $text]);

    return $id;
}

it('tells the customer meanwhile that it is looked at, and holds it all the same', function (): void {
    $template = waitingTemplate('Hello {{ customer.first_name | "there" }}, we are looking at it.');
    $at = "/orders/{$this->order->id}/refund";
    $this->actingAs($this->ilse)->post("{$at}/reckon", ($this->form)(['meanwhile' => (string) $template]), ['HX-Request' => 'true'])
        ->assertSee('Until there is an answer')->assertSee("value=\"{$template}\" selected", false);
    $this->post("{$at}/ask", ($this->form)(['meanwhile' => (string) $template]))->assertRedirect();
    $sent = Message::query()->where('direction', Message::OUT)->sole();
    expect($sent->text)->toBe('Hello Ana, we are looking at it.')->and($sent->teammate_id)->toBe($this->ilse->id)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Held)
        ->and(Approval::query()->sole()->state)->toBe(ApprovalState::Asked);
});

it('asks nothing where the customer cannot be told what was chosen', function (): void {
    $template = waitingTemplate('About {{ conversation.nothing_of_the_kind }}.');
    $at = "/orders/{$this->order->id}/refund/ask";
    $this->actingAs($this->ilse)->post($at, ($this->form)(['meanwhile' => (string) $template]))
        ->assertSee('It is not asked yet: the customer cannot be told');
    expect(Approval::query()->count())->toBe(0)->and(Message::query()->where('direction', Message::OUT)->count())->toBe(0)
        ->and($this->conversation->refresh()->state)->toBe(ConversationState::Open);
    $this->post($at, ($this->form)(['meanwhile' => '999999']))->assertNotFound();
});

it('takes a second press for the same, also where the first one has used the limit up', function (): void {
    ($this->limits)(['refund' => ['EUR' => 20000], 'customer' => ['EUR' => 12000], 'goodwill' => []]);
    $at = "/orders/{$this->order->id}/refund";
    $form = ($this->form)([]);
    $this->actingAs($this->ilse)->post($at, $form)->assertRedirect('/refunds/'.Refund::query()->max('id'));
    $this->post($at, $form)->assertRedirect('/refunds/'.Refund::query()->sole()->id);
    $this->post($at, ($this->form)(['lines' => [$this->tails->id => '1'], 'shown' => 1250]))->assertSee('for one customer');
});

it('shows who answers all that was said', function (): void {
    foreach (range(1, 9) as $number) {
        $subject = "Re: Torn [{$this->conversation->number()}]";
        Mails::take(Mails::raw(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => $subject], "Line {$number}."));
    }
    $approval = ($this->ask)(new ChosenRefund([$this->kite->id => 1]));
    $this->actingAs($this->mads)->get("/approvals/{$approval->id}")->assertSee('B-20388 is torn.')->assertSee('Line 1.')
        ->assertSee('Line 9.');
});
