<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Orders\Order;
use App\Returns\CustomerReturn;
use App\Returns\Grade;
use App\Returns\KeepPhotos;
use App\Returns\PolicyToSave;
use App\Returns\ReturnPhoto;
use App\Returns\ReturnPolicy;
use App\Returns\ReturnPolicyVersion;
use App\Returns\ReturnReason;
use App\Returns\ReturnSettings;
use App\Returns\ReturnState;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Tests\App\Services;

/*
 * What a lead says of returns under Set up, and what comes of it on the pages.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    Services::take(Channel::Shop, Services::order());
    $this->order = Order::query()->with('lines')->sole();
    $this->policy = ReturnPolicy::query()->whereHas('reason', fn ($of) => $of->where('name', 'Changed mind'))->sole();
    $this->actingAs($this->teammate('mads'));
});

/**
 * @param  array<string, mixed>  $with
 * @return array<string, mixed>
 */
function policyForm(ReturnPolicy $policy, array $with = []): array
{
    $terms = $policy->agreed();

    return [
        'version' => $policy->version, 'product_words' => $policy->product_words, 'days' => $terms->days,
        'transit_days' => $terms->transitDays,
        'to_open_day' => '1', 'customer_pays' => '1', 'label_cost' => '', 'fee' => $terms->fee, 'delivery' => $terms->delivery,
        'needs_inspection' => '1', 'longer_in' => '', 'stays_under' => '', 'send_within' => 14, 'remind_after' => 7, 'credit_bonus' => '0',
        'shares' => array_combine(array_column(Grade::cases(), 'value'), array_map($terms->share(...), Grade::cases())), ...$with,
    ];
}

it('keeps each change as a version, and what is sent again or unchanged makes none', function (): void {
    $at = "/return-policies/{$this->policy->id}";
    $this->post($at, policyForm($this->policy, [
        'label_cost' => '6.50 EUR, 49.00 DKK, 800 JPY', 'longer_in' => 'se 60; NO 45', 'fee' => '2,50', 'stays_under' => '8.00 eur',
    ]))->assertSessionHas('done');
    $terms = $this->policy->refresh()->agreed();
    expect($terms->labelCost)->toBe(['EUR' => 650, 'DKK' => 4900, 'JPY' => 800])->and($terms->longerIn)->toBe(['SE' => 60, 'NO' => 45])
        ->and($terms->fee)->toBe('2.5')->and($terms->staysUnder)->toBe(['EUR' => 800])->and($this->policy->version)->toBe(2);
    // As it stands in the form, it comes back the same.
    expect(PolicyToSave::written($terms->labelCost))->toBe('6.50 EUR, 49.00 DKK, 800 JPY')
        ->and(PolicyToSave::writtenCountries($terms->longerIn))->toBe('SE 60, NO 45');
    $this->get($at)->assertOk()->assertSee('6.50 EUR, 49.00 DKK, 800 JPY')->assertSee('SE 60, NO 45');
    $same = policyForm($this->policy, [
        'label_cost' => '6.50 EUR, 49.00 DKK, 800 JPY', 'longer_in' => 'SE 60, NO 45', 'stays_under' => '8.00 EUR',
    ]);
    $this->post($at, $same)->assertSessionHas('done');
    expect($this->policy->refresh()->version)->toBe(2)
        ->and(ReturnPolicyVersion::query()->where('policy_id', $this->policy->id)->orderBy('version')->pluck('version')->all())
        ->toBe([1, 2]);
});

it('does not let one undo what another has changed meanwhile, and loses nothing of what was written', function (): void {
    $at = "/return-policies/{$this->policy->id}";
    $this->post($at, policyForm($this->policy, ['days' => 45]))->assertSessionHas('done');
    $this->from($at)->post($at, policyForm($this->policy, ['days' => 60, 'version' => 1]))->assertRedirect($at)
        ->assertSessionHas('problem_code', 'changed_meanwhile');
    expect($this->policy->refresh()->agreed()->days)->toBe(45);
    $this->get($at)->assertSee('value="60"', false);
});

it('refuses what cannot be read, at its place', function (array $with, string $code): void {
    $at = "/return-policies/{$this->policy->id}";
    $answer = $this->from($at)->post($at, policyForm($this->policy, $with));
    $code === 'invalid' ? $answer->assertSessionHasErrors(array_key_first($with)) : $answer->assertSessionHas('problem_code', $code);
    expect($this->policy->refresh()->version)->toBe(1);
})->with([
    'an amount without its currency' => [['label_cost' => '6.50'], 'bad_amount'],
    'too many decimals' => [['label_cost' => '6.505 EUR'], 'bad_amount'],
    'no currency' => [['stays_under' => '8.00 EURO'], 'bad_amount'], 'a country in words' => [['longer_in' => 'Sweden 60'], 'bad_country'],
    'more than all' => [['fee' => '101'], 'invalid'], 'negative days' => [['days' => '-1'], 'invalid'],
    'a list' => [['days' => ['1']], 'invalid'],
]);

it('has policies for some beside the one for all, and not two for the same', function (): void {
    $new = "/return-policies/reasons/{$this->policy->reason_id}/policies";
    $form = policyForm($this->policy, ['version' => 0, 'product_words' => 'tails']);
    $this->post($new, $form)->assertSessionHas('done');
    $this->from($new)->post($new, $form)->assertSessionHas('problem_code', 'same_scope');
    $this->post($new, policyForm($this->policy, ['version' => 0]))->assertSessionHas('problem_code', 'same_scope');
    $own = ReturnPolicy::query()->where('product_words', 'tails')->sole();
    $this->get('/return-policies')->assertSee('Products with tails');
    $this->post("/return-policies/{$own->id}/retire")->assertSessionHas('done');
    $this->get('/return-policies')->assertDontSee('Products with tails');
});

it('arranges reasons, and offers only those in use', function (): void {
    $this->post('/return-policies/reasons', ['name' => 'Gift nobody wanted'])->assertSessionHas('done');
    $this->post('/return-policies/reasons', ['name' => 'Gift nobody wanted'])->assertSessionHas('problem_code', 'name_taken');
    $reason = ReturnReason::query()->where('name', 'Gift nobody wanted')->sole();
    $this->post("/return-policies/reasons/{$reason->id}", ['name' => 'Unwanted gift'])->assertSessionHas('done');
    $sheet = "/orders/{$this->order->id}/refund";
    $this->get($sheet)->assertSee('<option>Unwanted gift', false);
    // Without a policy, only money goes back for it.
    $this->get("/orders/{$this->order->id}/return")->assertDontSee('Unwanted gift');
    $this->post("/return-policies/reasons/{$reason->id}/retire");
    $this->get($sheet)->assertDontSee('<option>Unwanted gift', false);
    $this->post("/return-policies/reasons/{$reason->id}/bring-back");
    $this->get($sheet)->assertSee('<option>Unwanted gift', false);
});

it('promises the steps of the bench by the hours it is given', function (): void {
    $this->post('/return-policies/bench', ['calendar' => '', 'decide' => 4, 'inspect' => 16, 'settle' => 2, 'stuck' => 9])
        ->assertSessionHas('done');
    // Monday 11:00 in Copenhagen, open until 17:00.
    expect(ReturnSettings::dueAt(ReturnState::Asked, now())?->toIso8601ZuluString())->toBe('2026-11-23T14:00:00Z')
        ->and(ReturnSettings::dueAt(ReturnState::Arrived, now())?->toIso8601ZuluString())->toBe('2026-11-25T10:00:00Z')
        ->and(ReturnSettings::stuckAfter())->toBe(9);
    $this->post('/return-policies/bench', ['calendar' => 99999, 'decide' => 0, 'inspect' => 16, 'settle' => 2, 'stuck' => 9])
        ->assertSessionHasErrors(['calendar', 'decide']);
});

it('says what holds while one chooses, and takes in what is here already', function (): void {
    $at = "/orders/{$this->order->id}/return";
    $kite = $this->order->lines[0]->id;
    $form = ['lines' => [$kite => '1'], 'reason' => $this->policy->reason_id, 'note' => 'too big', 'once' => Str::uuid()->toString()];
    $this->post("{$at}/offer", $form, ['HX-Request' => 'true'])->assertOk()->assertSee('may come back within 30 days')
        ->assertDontSee('<html', false);
    $this->post("{$at}/offer", $form)->assertOk()->assertSee('value="too big"', false);
    $this->actingAs($this->teammate('femi'))->post($at, [...$form, 'then' => 'agree'])->assertForbidden();
    $this->post($at, [...$form, 'then' => 'here'])->assertRedirect();
    $return = CustomerReturn::query()->sole();
    expect($return->state)->toBe(ReturnState::Arrived);
    // Pressed twice, it is one.
    $this->post($at, [...$form, 'then' => 'here'])->assertRedirect("/returns/{$return->id}");
    expect(CustomerReturn::query()->count())->toBe(1);
});

it('keeps photos by what they are, each once, and not too many', function (): void {
    $return = CustomerReturn::query()->findOrFail(Tests\Fixtures\OneOfEach::make()['return']);
    $png = base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
    $photo = fn (string $name, string $bytes): UploadedFile => UploadedFile::fake()->createWithContent($name, $bytes);
    $this->post("/returns/{$return->id}/photos", ['photos' => [$photo('a.png', $png), $photo('again.png', $png)]])
        ->assertSessionHas('done');
    $kept = ReturnPhoto::query()->where('return_id', $return->id)->where('name', 'a.png')->sole();
    $this->get("/return-photos/{$kept->id}")->assertOk()->assertHeader('Content-Type', 'image/png')
        ->assertHeader('Content-Security-Policy', "default-src 'none'; sandbox");
    foreach (['<script>alert(1)</script>', '%PDF-1.4', '<svg xmlns="http://www.w3.org/2000/svg"/>'] as $bytes) {
        $this->post("/returns/{$return->id}/photos", ['photos' => [$photo('b.png', $bytes)]])->assertSessionHas('problem_code', 'no_photo');
    }
    $this->post("/returns/{$return->id}/photos", ['photos' => [UploadedFile::fake()->create('film.png', 60 * 1024, 'image/png')]])
        ->assertSessionHas('problem_code', 'no_photo');
    $many = array_map(fn (int $n): UploadedFile => $photo("{$n}.png", $png.str_repeat("\0", $n)), range(1, KeepPhotos::MOST));
    $this->post("/returns/{$return->id}/photos", ['photos' => $many])->assertSessionHas('problem_code', 'many_photos');
    expect(ReturnPhoto::query()->where('return_id', $return->id)->count())->toBe(KeepPhotos::MOST);
});
