<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;

/*
 * Two people give one name in the same moment: each looked it up and found it free. One of them is told so.
 */

it('says that somebody else was quicker, and keeps what was written', function (
    string $page, string $action, string $table, array $form
): void {
    $this->actingAs($this->teammate('corin'));
    $taken = false;
    // Between the look and the storing, another has stored it.
    DB::beforeExecuting(static function (string $query) use (&$taken, $table, $form): void {
        if (! $taken && str_starts_with($query, "insert into `{$table}`")) {
            $taken = true;
            $row = (array) DB::table($table)->orderByDesc('id')->first();
            DB::table($table)->insert(['id' => 90_000, 'name' => $form['name']] + $row);
        }
    });
    $this->from($page)
        ->post($action, $form)
        ->assertRedirect($page)
        ->assertSessionHas('problem', 'Not saved: somebody else has just saved the same. Look at what is there now, then send it again.');
    expect($taken)->toBeTrue()->and(DB::table($table)->where('name', $form['name'])->count())->toBe(1);
    $this->get($page)->assertOk()->assertSee($form['name']);
    // Looked up now, it is there, and said so.
    $this->from($page)->post($action, $form)->assertSessionHasErrors('name');
})->with([
    'a team' => ['/sorting/teams', '/sorting/teams', 'teams', ['name' => 'Workshop']],
    'a checklist' => ['/sorting/checklists', '/sorting/checklists', 'checklists', ['name' => 'Customs', 'steps' => 'One']],
    'a customer group' => [
        '/customer-groups', '/customer-groups', 'customer_groups',
        ['name' => 'Danes', 'field' => ['language'], 'is' => ['da'], 'place' => '5'],
    ],
]);
