<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Templates\SaveTemplate;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Rules\Way;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * What rules tell by themselves: what is known of an order goes only where it was placed from.
 */
const TELLS = 'Hello {{ customer.first_name | "there" }}, {{ order.number | "your order" }} with '
    .'{{ order.items | "what you chose" }} is {{ parcel.state | "with us" }}, {{ refund.amount | "nothing" }} back.';

function ruleAnswering(string $text): Rule
{
    $mads = test()->teammate('mads');
    $template = app(SaveTemplate::class)->save(null, new TemplateToSave(
        'Where it is', '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => $text, 'html' => null]], [], []
    ), $mads);
    $rule = app(SaveRule::class)->save(null, new RuleToSave(
        'Where it is', Way::Every, [RuleEvent::FirstMessage], ['all' => []],
        [RuleAction::of(['do' => 'answer', 'value' => (string) $template->id, 'as' => (string) $mads->id])], '', ChangedBy::Leads
    ), $mads);
    app(SaveRule::class)->switch($rule, true, $mads);

    return $rule->refresh();
}

function answerOfRule(Conversation $conversation): ?string
{
    app(RunRules::class)->run();

    return Message::query()->where('conversation_id', $conversation->id)->where('direction', Message::OUT)->value('text');
}

beforeEach(function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    Services::take(Channel::Shop, Services::orderBy('ana@wrenfield.example', [
        'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 1250]],
    ]));
    // From now on: what was there before is not looked at.
    app(RunRules::class)->run();
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', now()->subDay()->toIso8601ZuluString()));
});

it('tells the buyer at the address that they ordered with', function (): void {
    ruleAnswering(TELLS);
    expect(answerOfRule(Mails::conversation(['From' => 'A. <Ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is B-20388?')))
        ->toContain('Hello Ana, 71-4480217 with 1 × Merlin delta, red')->toContain('at depot')->toContain('12.50');
});

it('tells the buyer by the marketplace account that they ordered with', function (): void {
    ruleAnswering(TELLS);
    Services::take(Channel::Marrowby, Services::orderMessage('Where is it?'));
    expect(answerOfRule(Conversation::query()->sole()))->toContain('71-4480217 with 1 × Merlin delta, red');
});

it('tells nobody else anything: the fallback instead', function (array $headers, string $text): void {
    ruleAnswering(TELLS);
    $conversation = Mails::conversation(['Subject' => 'Late', ...$headers], $text);
    expect($conversation->orders()->count())->toBe(1)->and(answerOfRule($conversation))
        ->toBe('Hello there, your order with what you chose is with us, nothing back.');
})->with([
    'a name and a number' => [['From' => 'Ana Wrenfield <ana@freemail.example>'], 'Where is B-20388?'],
    'a street' => [['From' => 'x@freemail.example'], 'Where is B-20388 to Møllevej 12?'],
    'the marketplace’s number' => [['From' => 'Ana Wrenfield <ana@freemail.example>'], 'Where is 71-4480217?'],
]);

it('tells an answer nowhere else than to who wrote', function (): void {
    ruleAnswering(TELLS);
    $conversation = Mails::conversation(
        ['From' => 'ana@wrenfield.example', 'Reply-To' => 'ana@thief.example', 'Subject' => 'Late'], 'Where is B-20388?'
    );
    answerOfRule($conversation);
    expect(Message::query()->where('direction', Message::OUT)->sole()->to)->toBe(['ana@wrenfield.example']);
});

it('keeps silent where there is no fallback, or a choice would give it away, and says why', function (string $text, string $name): void {
    $rule = ruleAnswering($text);
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@freemail.example>', 'Subject' => 'Late'], 'Where is B-20388?');
    expect(answerOfRule($conversation))->toBeNull()
        ->and(RuleRun::query()->where('rule_id', $rule->id)->value('error'))
        ->toContain("needs {{ {$name} }}")->toContain('the address or account that the order was placed with');
})->with([
    ['It is {{ parcel.place }}.', 'parcel.place'],
    ['{{ if order.sent }}It has left.{{ else }}Not yet.{{ end }}', 'order.sent'],
    ['{{ if not order.delivered }}It will come.{{ end }}', 'order.delivered'],
    ['{{ if customer.orders at least 1 }}Again!{{ else }}Welcome.{{ end }}', 'customer.orders'],
]);

it('tells a person everything, who reads it before it leaves', function (): void {
    $rule = ruleAnswering(TELLS);
    app(SaveRule::class)->switch($rule, false, $this->teammate('mads'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@freemail.example>', 'Subject' => 'Late'], 'Where is B-20388?');
    $template = App\Templates\Template::query()->where('name', 'Where it is')->sole();
    $filled = app(App\Templates\FillTemplate::class)->fill($template, $conversation, $this->teammate('ilse'));
    expect($filled->text)->toContain('71-4480217')->toContain('Merlin delta');
});

it('sends on nothing of what was typed into a form, and calls nobody by a typed name', function (): void {
    ruleAnswering('Hello {{ customer.first_name | "there" }}, about {{ conversation.subject | "it" }}: {{ conversation.number }}');
    preg_match('/name="opened" value="([^"]+)"/', (string) $this->get('/forms/contact')->getContent(), $opened);
    $this->travel(30)->seconds();
    $this->post('/forms/contact', [
        'opened' => $opened[1], 'name' => 'Prize', 'email' => 'victim@x.example', 'text' => 'Prize at prize.example', 'order' => 'Prize',
    ])->assertOk();
    $conversation = Conversation::query()->sole();
    answerOfRule($conversation);
    $sent = Message::query()->where('direction', Message::OUT)->get();
    expect($sent)->toHaveCount(2)
        ->and($sent->map(static fn (Message $one): string => $one->subject.$one->text)->implode(' '))->not->toContain('Prize')
        ->toContain("Hello there, about it: {$conversation->number()}");
});
