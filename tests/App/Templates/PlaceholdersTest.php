<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Conversations\Conversation;
use App\Sorting\Category;
use App\Templates\FillTemplate;
use App\Templates\Placeholders;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

function conversationWithOrder(): Conversation
{
    Http::fake(['*' => Http::response([], 404)]);
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Services::take(
        Channel::Shop,
        Services::orderBy('ana@wrenfield.example', [
            'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 1250]],
        ])
    );
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'collected', '2026-11-17T07:00:00Z'));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', '2026-11-19T07:00:00Z'));
    $conversation = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is 71-4480217?');
    $conversation->forceFill(['category_id' => Category::query()->where('name', 'Late parcel')->value('id')])->save();

    return $conversation->refresh();
}

function filledAs(string $text, Conversation $conversation, string $language = 'en'): string
{
    return app(FillTemplate::class)->text($text, $language, $conversation, test()->teammate('ilse'))->text;
}

it('fills each placeholder with what is known', function (string $name, string $language, string $is): void {
    $conversation = conversationWithOrder();
    expect(filledAs("{{ {$name} }}", $conversation, $language))->toBe(str_replace('NUMBER', $conversation->number(), $is));
})->with([
    ['customer.first_name', 'en', 'Ana'], ['customer.name', 'en', 'Ana Wrenfield'], [
        'customer.email', 'en', 'ana@wrenfield.example',
    ], ['customer.orders', 'en', '1'],
    ['order.number', 'en', '71-4480217'], ['order.sent', 'en', 'yes'], ['order.placed_on', 'en', '11 November 2026'], [
        'order.placed_on', 'da', '11. november 2026',
    ], ['order.placed_on', 'de', '11. November 2026'],
    [
        'order.items', 'en', "1 × Merlin delta, red\n2 × Tails, orange, pair",
    ], ['order.total', 'en', '€163.00'], ['order.total', 'de', "163,00\u{a0}€"], ['order.total', 'lv', "163,00\u{a0}€"],
    ['order.country', 'en', 'Denmark'], ['order.country', 'da', 'Danmark'], ['parcel.number', 'en', 'WP7720388'], [
        'parcel.carrier', 'en', 'Wren Parcel',
    ], ['parcel.state', 'en', 'at depot'], ['parcel.place', 'en', 'Aarhus depot'],
    [
        'parcel.seen_on', 'en', '19 November 2026',
    ], ['parcel.sent_on', 'en', '17 November 2026'], ['parcel.days_unseen', 'en', '4'], ['refund.amount', 'en', '€12.50'],
    ['agent.name', 'en', 'Ilse Norrby'], ['agent.first_name', 'en', 'Ilse'], ['store.name', 'en', 'Brindle Kite Works'], [
        'store.address', 'en', 'care@brindle.example',
    ], ['store.today', 'en', '23 November 2026'], ['store.open', 'en', 'yes'],
    ['conversation.number', 'en', 'NUMBER'], ['conversation.subject', 'en', 'Late'], ['conversation.category', 'en', 'My parcel is late'],
]);

it('leaves what is not known as it was written, and takes what stands in its place', function (string $name): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $conversation = Mails::conversation(['From' => 'nora.99 <nora@hruby.example>', 'Subject' => 'Hello'], "Do you sell reels?\r\n");
    $filled = app(FillTemplate::class)->text("{{ {$name} }}", 'en', $conversation, null);
    expect($filled->text)->toBe("{{ {$name} }}")->and($filled->gaps)->toHaveCount(1)->and($filled->gaps[0]->name)->toBe($name)
        ->and(filledAs("{{ {$name} | \"instead\" }}", $conversation))->toBe('instead');
})->with([
    'customer.first_name', 'customer.name', 'order.number', 'order.placed_on', 'order.total', 'order.items', 'parcel.number',
    'parcel.seen_on', 'parcel.delivered_on', 'refund.amount', 'conversation.category',
]);

it('asks small questions of the order', function (string $text, string $is): void {
    expect(filledAs($text, conversationWithOrder()))->toBe($is);
})->with([
    ['{{ if order.delivered }}there{{ else if order.sent }}on its way{{ else }}not yet{{ end }}', 'on its way'],
    ['{{ if not order.cancelled }}goes on{{ end }}', 'goes on'],
    ['{{ if customer.orders at least 2 }}again{{ else }}first{{ end }}', 'first'],
    ['{{ if parcel.days_unseen more than 3 }}we ask the carrier{{ end }}', 'we ask the carrier'],
    ['{{ if order.country is "Denmark" }}with us{{ else }}abroad{{ end }}', 'with us'],
    ['{{ if store.open }}today{{ else }}then{{ end }}', 'today'],
]);

it('fills every placeholder that is offered, or knows that it cannot', function (): void {
    $conversation = conversationWithOrder();
    foreach (array_keys((new Placeholders)->all()) as $name) {
        $filled = app(FillTemplate::class)->text("{{ {$name} }}", 'en', $conversation, $this->teammate('ilse'));
        expect($filled->gaps === [] ? $filled->text !== '' : $filled->text === "{{ {$name} }}")->toBeTrue($name);
    }
});

it('offers the one that was probably meant', function (string $written, ?string $meant): void {
    expect((new Placeholders)->nearest($written))->toBe($meant);
})->with([['customer.nam', 'customer.name'], ['order.numbr', 'order.number'], ['ratings.link', 'rating.link'], ['weather.tomorrow', null]]);
