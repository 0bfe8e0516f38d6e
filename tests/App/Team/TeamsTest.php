<?php

declare(strict_types=1);

use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Assigning\Method;
use Carbon\CarbonImmutable;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->care = Team::query()->where('name', 'Care')->firstOrFail();
});

it('lets a lead say who is in a team, and how it gives out what comes in', function (): void {
    $ilse = $this->teammate('ilse');
    $femi = $this->teammate('femi');
    $people = static fn (Teammate ...$in): array => Teammate::query()
        ->get()
        ->mapWithKeys(
            static fn (Teammate $one): array => [
                $one->id => ['in' => in_array($one->id, array_column($in, 'id'), true) ? '1' : null, 'weight' => '2', 'cap' => '7'],
            ]
        )
        ->all();
    $this->actingAs($this->teammate('mads'))
        ->post("/sorting/teams/{$this->care->id}", ['name' => 'Care', 'turns' => 'fewest_open', 'people' => $people($ilse, $femi)])
        ->assertSessionHas('done', 'The team Care is saved.');
    $team = $this->care->refresh()->load('teammates');
    expect($team->turns)->toBe(Method::FewestOpen)
        ->and($team->teammates->pluck('name')->all())->toEqualCanonicalizing(['Ilse Norrby', 'Femi Adewale'])
        ->and($team->teammates->firstWhere('id', $ilse->id)->turn->only(['weight', 'cap']))->toBe(['weight' => 2, 'cap' => 7]);
    $this->get('/sorting/teams')->assertOk()->assertSee('to whoever has the fewest open');
});

it('makes a team, but none twice, and refuses shares that are none', function (): void {
    $this->actingAs($this->teammate('mads'));
    $this->post('/sorting/teams', ['name' => 'Wholesale'])->assertSessionHas('done');
    $this->post('/sorting/teams', ['name' => 'Wholesale'])->assertSessionHasErrors('name');
    $this->post(
        "/sorting/teams/{$this->care->id}",
        ['name' => 'Care', 'people' => [$this->teammate('ilse')->id => ['in' => '1', 'weight' => '-1', 'cap' => '']]]
    )->assertSessionHasErrors();
    expect($this->care->refresh()->teammates()->count())->toBe(4);
});

it('is not for everybody', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $this->get('/sorting/teams')->assertForbidden();
    $this->post("/sorting/teams/{$this->care->id}", ['name' => 'Mine'])->assertForbidden();
    $this->post("/people/{$this->teammate('ruta')->id}/away")->assertForbidden();
    expect($this->teammate('ruta')->isAway())->toBeFalse();
});

it('lets people say that they are away, until then or until they say otherwise', function (): void {
    $ilse = $this->teammate('ilse');
    $this->actingAs($ilse)->from('/queue');
    $this->post("/people/{$ilse->id}/away", ['until' => '2026-11-24T09:00'])->assertSessionHas(
        'done', 'You are away until Tue 09:00: nothing is given out that way until then.'
    );
    expect($ilse->refresh()->isAway())->toBeTrue()->and($ilse->away_until?->toIso8601ZuluString())->toBe('2026-11-24T08:00:00Z');
    $this->get('/queue/my-turn')->assertSee('I am here again');
    CarbonImmutable::setTestNow('2026-11-24T08:00:00Z');
    expect($ilse->isAway())->toBeFalse();
    $this->post("/people/{$ilse->id}/away")->assertSessionHas('done');
    CarbonImmutable::setTestNow('2027-02-01T08:00:00Z');
    expect($ilse->refresh()->isAway())->toBeTrue();
    $this->post("/people/{$ilse->id}/here")->assertSessionHas('done', 'You are here.');
    expect($ilse->refresh()->isAway())->toBeFalse();
});

it('knows beforehand when somebody will be away, and refuses what ends before it begins', function (): void {
    $ruta = $this->teammate('ruta');
    $this->actingAs($this->teammate('mads'))->from('/sorting/teams');
    $this->post("/people/{$ruta->id}/away", ['from' => '2026-12-01T09:00', 'until' => '2026-11-30T09:00'])->assertSessionHas('problem');
    $this->post("/people/{$ruta->id}/away", ['from' => '2026-12-01T09:00', 'until' => '2026-12-05T09:00'])->assertSessionHas('done');
    expect($ruta->refresh()->isAway())->toBeFalse();
    CarbonImmutable::setTestNow('2026-12-02T10:00:00Z');
    expect($ruta->isAway())->toBeTrue();
});

it('keeps which languages somebody speaks, and refuses what is none', function (): void {
    $ruta = $this->teammate('ruta');
    $this->actingAs($this->teammate('mads'));
    $this->post("/sorting/people/{$ruta->id}/speaks", ['speaks' => 'LV; de, et'])->assertSessionHas('done');
    expect($ruta->refresh()->speaks)->toBe(['lv', 'de', 'et']);
    $this->post("/sorting/people/{$ruta->id}/speaks", ['speaks' => 'german'])->assertSessionHas(
        'problem', '“german” is no language. Write two letters for each, such as de for German, with commas between.'
    );
    expect($ruta->refresh()->speaks)->toBe(['lv', 'de', 'et']);
});
