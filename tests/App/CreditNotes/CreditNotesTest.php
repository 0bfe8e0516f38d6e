<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Message;
use App\CreditNotes\CorrectCreditNote;
use App\CreditNotes\CreditNote;
use App\CreditNotes\CreditNoteContent;
use App\CreditNotes\CreditNoteRefused;
use App\CreditNotes\CreditNoteWords;
use App\CreditNotes\DrawCreditNotes;
use App\CreditNotes\IssueCreditNotes;
use App\CreditNotes\ShownForCustomer;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\Payout;
use App\Refunds\PayoutState;
use App\Refunds\Refund;
use App\Refunds\SettlePayout;
use App\Refunds\TellOfRefunds;
use App\Refunds\ToldWith;
use App\Refunds\Worksheet;
use App\Support\FileStore;
use App\Support\StoreSettings;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * What was given back, on paper: numbered without gaps, in the customer's language, never changed.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', ['sold_on' => null]));
    $this->order = Order::query()->with(['lines', 'payments'])->sole();
    [$this->kite, $this->tails] = $this->order->lines->all();
    $this->mads = $this->teammate('mads');
    $this->conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Torn'], 'B-20388 is torn.');
    $this->giveBack = function (ChosenRefund $chosen, ?ToldWith $told = null): Refund {
        $sheet = Worksheet::of($this->order->refresh(), $chosen);
        $refund = app(IssueRefund::class)->issue(
            $this->order, $chosen, $sheet->total(), 'Faulty', $this->conversation, $this->mads, Str::uuid()->toString(), $told
        );
        foreach ($refund->payouts as $payout) {
            app(SettlePayout::class)->settle($payout->id, PayoutState::Done, "rf_{$payout->id}");
        }

        return $refund->refresh();
    };
});

function issueNotes(): void
{
    app()->call([new IssueCreditNotes, 'handle']);
}

function drawNotes(): void
{
    app()->call([new DrawCreditNotes, 'handle']);
}

function tellCustomers(): void
{
    app()->call([new TellOfRefunds, 'handle']);
}

it('issues one for each refund that is through, once, with the tax by rate', function (): void {
    $sheet = Worksheet::of($this->order, new ChosenRefund([$this->kite->id => 1], 'share', fee: '5.00', goodwill: '1.00'));
    $waiting = app(IssueRefund::class)->issue(
        $this->order, $sheet->chosen, $sheet->total(), 'Faulty', $this->conversation, $this->mads, Str::uuid()->toString()
    );
    issueNotes();
    expect(CreditNote::query()->count())->toBe(0);
    app(SettlePayout::class)->settle(Payout::query()->sole()->id, PayoutState::Done, 'rf_1');
    issueNotes();
    issueNotes();
    $note = CreditNote::query()->sole();
    $content = $note->content;
    expect($note->title())->toBe('CN-00001')->and($note->refund_id)->toBe($waiting->id)
        ->and($content['total'])->toBe($sheet->total())->and(array_sum(array_column($content['rates'], 'gross')))->toBe($sheet->total())
        ->and($content['rates'])->toBe([['rate' => '25', 'net' => 10456, 'tax' => 2614, 'gross' => 13070]])
        ->and($content['lines'][0])->toBe([
            'title' => 'Merlin delta, red', 'quantity' => 1, 'rate' => '25', 'net' => 9520, 'tax' => 2380, 'gross' => 11900,
        ])->and($content['payments'])->toBe([['label' => 'Card …4242', 'amount' => $sheet->total()]]);
});

it('leaves no gap in the numbers when writing one fails', function (): void {
    ($this->giveBack)(new ChosenRefund([$this->kite->id => 1]));
    issueNotes();
    $refund = ($this->giveBack)(new ChosenRefund([$this->tails->id => 1]));
    expect(fn () => DB::transaction(function () use ($refund): void {
        IssueCreditNotes::write($refund->load(['order.customer', 'conversation']), CreditNoteContent::of($refund), 'x');
        throw new RuntimeException('killed');
    }))->toThrow(RuntimeException::class);
    issueNotes();
    expect(CreditNote::query()->orderBy('id')->pluck('number')->all())->toBe([1, 2]);
});

it('is drawn once as a PDF, which team and customer fetch', function (): void {
    $refund = ($this->giveBack)(new ChosenRefund([$this->kite->id => 1]));
    issueNotes();
    $note = CreditNote::query()->sole();
    $this->actingAs($this->mads)->get("/credit-notes/{$note->id}")->assertNotFound();
    drawNotes();
    $file = $note->refresh()->file;
    drawNotes();
    expect($note->refresh()->file)->toBe($file)->and($note->draw_next_at)->toBeNull()
        ->and(app(FileStore::class)->read((string) $file))->toStartWith('%PDF-')
        ->and(hash('sha256', app(FileStore::class)->read((string) $file)))->toBe($note->sha256);
    $this->get("/credit-notes/{$note->id}")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $this->get("/refunds/{$refund->id}")->assertSee('CN-00001');
    auth()->logout();
    $this->get("/credit-note/{$note->link_key}")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="CN-00001.pdf"');
    $this->get('/credit-note/'.Str::uuid())->assertNotFound();
});

it('speaks the customer’s language, in its numbers', function (string $language, array $says): void {
    app(StoreSettings::class)->put('store', ['name' => 'Brindle Kite Works', 'imprint' => "Quayside 4\nDK 12345678"]);
    ($this->giveBack)(new ChosenRefund([$this->kite->id => 1]));
    $this->conversation->forceFill(['language' => $language])->save();
    issueNotes();
    $note = CreditNote::query()->sole();
    $words = CreditNoteWords::in($note->language);
    $html = view('credit-notes.pdf', [
        'note' => $note, 'content' => $note->content, 'words' => $words, 'shown' => new ShownForCustomer($words->language, $note->content),
    ])->render();
    $text = preg_replace('/\s+/u', ' ', html_entity_decode(strip_tags($html)));
    foreach ([...$says, 'Quayside 4', 'DK 12345678', 'Ana Wrenfield'] as $one) {
        expect($text)->toContain($one);
    }
})->with([
    'English' => ['en', ['Credit note CN-00001', '23 November 2026', '€119.00', 'Tax rate', '25 %', 'Denmark']],
    'Danish' => ['da', ['Kreditnota CN-00001', '23. november 2026', '119,00 €', 'Momssats', 'Danmark']],
    'German' => ['de', ['Gutschrift CN-00001', '23. November 2026', '119,00 €', 'Steuersatz', 'Dänemark']],
    'one without words of its own' => ['ja', ['Credit note CN-00001', '€119.00']],
]);

it('corrects by a further one and one in its place, and never what was issued', function (): void {
    ($this->giveBack)(new ChosenRefund([$this->kite->id => 1], 'share', fee: '5.00'));
    issueNotes();
    drawNotes();
    $first = CreditNote::query()->sole();
    $was = $first->getAttributes();
    $correct = fn (CreditNote $note, string $name): CreditNote => app(CorrectCreditNote::class)
        ->correct($note, $name, 'Havnevej 1', $this->mads);
    expect(fn () => $correct($first, ' '))->toThrow(CreditNoteRefused::class, 'Say whom')
        ->and(fn () => app(CorrectCreditNote::class)->correct(
            $first, $first->content['to']['name'], $first->content['to']['address'], $this->mads
        ))->toThrow(CreditNoteRefused::class, 'Nothing of it is different');
    $right = $correct($first, 'Kite Barn ApS');
    [$again, $back, $new] = CreditNote::query()->orderBy('number')->get()->all();
    expect($again->getAttributes())->toBe($was)->and([$back->number, $new->number])->toBe([2, 3])->and($new->id)->toBe($right->id)
        ->and($back->takes_back)->toBeTrue()->and($back->content['total'])->toBe(-$first->content['total'])
        ->and($back->content['lines'][0]['gross'])->toBe(-11900)->and($back->content['lines'][0]['quantity'])->toBe(1)
        ->and(array_sum(array_column($back->content['rates'], 'tax')))->toBe(-array_sum(array_column($first->content['rates'], 'tax')))
        ->and($new->content['to']['name'])->toBe('Kite Barn ApS')->and($new->content['total'])->toBe($first->content['total']);
    expect(fn () => $correct($first, 'Somebody else'))->toThrow(CreditNoteRefused::class, 'corrected already, by CN-00003');
    drawNotes();
    expect(CreditNote::query()->whereNull('file')->count())->toBe(0);
    $this->actingAs($this->mads)->post("/credit-notes/{$new->id}/correct", ['name' => 'Kite Barn A/S'])
        ->assertRedirect("/refunds/{$new->refund_id}");
    $this->actingAs($this->teammate('ilse'))->post("/credit-notes/{$new->id}/correct", ['name' => 'X'])->assertForbidden();
    expect(CreditNote::query()->max('number'))->toBe(5);
});

it('tells the customer once the money is through, with the credit note, in the name of who gave it back', function (): void {
    $template = moneyTemplate('Hello {{ customer.first_name }}, {{ refund.amount | "it" }} is on its way.');
    $refund = ($this->giveBack)(new ChosenRefund([$this->kite->id => 1]), new ToldWith($template, true));
    tellCustomers();
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(0);
    issueNotes();
    drawNotes();
    tellCustomers();
    tellCustomers();
    $told = Message::query()->where('direction', Message::OUT)->with('attachments')->sole();
    expect($told->text)->toContain('Hello Ana, it is on its way.')->and($told->teammate_id)->toBe($this->mads->id)
        ->and($told->attachments->sole()->name)->toBe('CN-00001.pdf')->and($refund->refresh()->told_at)->not->toBeNull();
});

it('tells the customer at once where that was chosen, and says at the refund where it cannot', function (): void {
    ($this->giveBack)(new ChosenRefund([$this->tails->id => 1]), new ToldWith(moneyTemplate('It goes back.'), false));
    tellCustomers();
    expect(Message::query()->where('direction', Message::OUT)->sole()->text)->toContain('It goes back.');
    $refund = ($this->giveBack)(new ChosenRefund([$this->kite->id => 1]),
        new ToldWith(moneyTemplate('Parcel {{ parcel.seen_on }}'), false));
    tellCustomers();
    expect($refund->refresh()->tell_why)->toContain('parcel.seen_on')->and($refund->told_at)->toBeNull()
        ->and(Message::query()->where('direction', Message::OUT)->count())->toBe(1);
    $this->actingAs($this->mads)->get("/refunds/{$refund->id}")->assertSee('The customer was not told');
});

function moneyTemplate(string $text): int
{
    $id = (int) DB::table('templates')->insertGetId([
        'name' => 'Money '.Str::random(6), 'folder' => '', 'shared_with' => 'everybody', 'steps' => '[]', 'version' => 1,
        'updated_at' => now(),
    ]);
    DB::table('template_languages')->insert(['template_id' => $id, 'language' => 'en', 'text' => $text]);

    return $id;
}
