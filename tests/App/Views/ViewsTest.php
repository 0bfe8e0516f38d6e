<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Fields\OwnField;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Views\SavedView;
use App\Views\ViewCounts;
use Illuminate\Support\Facades\DB;
use Tests\App\FilledForm;
use Tests\App\Mails;

/**
 * @param  array<string, mixed>  $also
 * @return array<string, mixed> a view's form, asking for tails in the subject
 */
function viewForm(array $also = []): array
{
    return [
        'name' => 'Tails', 'shared_with' => 'nobody', 'sort' => 'latest', 'board_by' => 'state', 'columns' => ['state', 'team'],
        'condition' => ['head' => 'all', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'tail, TAILS']]],
        ...$also,
    ];
}

beforeEach(function (): void {
    SavedView::query()->delete();
    Mails::conversation(['Subject' => 'Which tail is longer', 'From' => 'a@x.example']);
    Mails::conversation(['Subject' => 'Detailed question', 'From' => 'b@x.example']);
    $this->actingAs($this->teammate('ilse'));
});

it('saves a view that asks what its form says, with its columns and its count', function (): void {
    $this->post('/views', viewForm())->assertRedirect();
    $view = SavedView::query()->sole();
    expect($view->condition)->toBe(['all' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => ['tail', 'TAILS']]]]);
    $this->get("/queue/{$view->id}")->assertSee('Which tail is longer')->assertDontSee('Detailed question')
        ->assertSeeInOrder(['Tails', 'tab-count">1<'], false)
        ->assertSee('<span class="visually-hidden">Team</span>', false)
        ->assertDontSee('<span class="visually-hidden">Due</span>', false);
    $this->get("/views/{$view->id}")->assertSee('tail, TAILS');
    $this->delete("/views/{$view->id}")->assertRedirect('/queue/my-turn');
    $this->get("/queue/{$view->id}")->assertRedirect('/queue/my-turn')->assertSessionHas('problem');
});

it('shows each person their own views, their teams’ and everybody’s', function (): void {
    $this->post('/views', viewForm(['name' => 'Mine alone']));
    $this->post(
        '/views',
        viewForm(['name' => 'For care', 'shared_with' => 'team', 'team' => Team::query()->where('name', 'Care')->value('id')])
    );
    $this->post('/views', viewForm(['name' => 'For all', 'shared_with' => 'everybody']));
    [$mine, $care] = SavedView::query()->orderBy('id')->get()->all();
    $this->actingAs($this->teammate('ruta'))
        ->get('/queue/my-turn')
        ->assertSee('For care')
        ->assertSee('For all')
        ->assertDontSee('Mine alone');
    $this->get("/views/{$mine->id}")->assertNotFound();
    $this->post("/views/{$care->id}", viewForm())->assertForbidden();
    $this->actingAs($this->teammate('femi'))->get('/queue/my-turn')->assertSee('For all')->assertDontSee('For care');
    $this->actingAs($this->teammate('mads'))
        ->post("/views/{$care->id}", viewForm(['name' => 'Still for care', 'shared_with' => 'everybody']))
        ->assertSessionHas('done');
    $this->delete("/views/{$mine->id}")->assertNotFound();
});

it('takes “me” for whoever looks', function (): void {
    $this->post(
        '/views',
        viewForm([
            'shared_with' => 'everybody',
            'condition' => ['head' => 'all', 'parts' => [['field' => 'owner', 'op' => 'in', 'value' => ['me']]]],
        ])
    );
    $view = SavedView::query()->sole();
    Conversation::query()->where('subject', 'Detailed question')->sole()->forceFill(['owner_id' => $this->teammate('mads')->id])->save();
    $this->get("/queue/{$view->id}")->assertDontSee('Detailed question');
    $this->actingAs($this->teammate('mads'))->get("/queue/{$view->id}")->assertSee('Detailed question');
});

it('builds conditions with groups, line by line, and says how many fit', function (): void {
    $redraw = fn (array $condition, string $do): string => (string) $this->withHeader('HX-Request', 'true')
        ->post('/views/redraw', ['condition' => $condition, 'do' => $do])
        ->assertOk()
        ->getContent();
    $group = ['head' => 'any', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'tail']]];
    expect($redraw($group, ''))->toContain('One conversation fits')->toContain('value="tail"')
        ->and($redraw($group, 'add:'))->toContain('condition[parts][1][field]')
        ->and($redraw($group, 'group:'))->toContain('condition[parts][1][head]')->toContain('condition[parts][1][parts][0][field]')
        ->and($redraw($group, 'remove:0'))->not->toContain('condition[parts][0]')
        ->and($redraw(['head' => 'none', 'parts' => [$group]], 'add:0'))->toContain('condition[parts][0][parts][1][field]');
    // A line that is not finished is left out, and what is no operator of the field is put right.
    expect(
        $redraw(
            [
                'head' => 'all',
                'parts' => [['field' => '', 'op' => '', 'value' => ''], ['field' => 'public', 'op' => 'more_than', 'value' => 'no']],
            ],
            ''
        )
    )->toContain('2 conversations fit');
});

it('says that a view cannot be shown whose field was deleted, and lets it be mended', function (): void {
    $this->actingAs($this->teammate('mads'))->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch', 'kind' => 'text']);
    $this->post(
        '/views',
        viewForm([
            'condition' => ['head' => 'all', 'parts' => [['field' => 'own.conversation.batch', 'op' => 'starts_with', 'value' => 'K']]],
        ])
    );
    $view = SavedView::query()->sole();
    OwnField::query()->delete();
    $this->app->forgetScopedInstances();
    $this->get("/queue/{$view->id}")
        ->assertOk()
        ->assertSee('It asks for “own.conversation.batch”, which is not there any more.')
        ->assertSee('Change this view');
    $this->get("/views/{$view->id}")->assertOk()->assertSee('own.conversation.batch (gone)');
    $this->get('/queue/my-turn')->assertOk();
    $this->get("/queue/{$view->id}/board")->assertRedirect("/queue/{$view->id}");
});

it('refuses a form that makes no view, and keeps what was written', function (): void {
    $this->post('/views', viewForm(['name' => '', 'sort' => 'by luck', 'columns' => ['shoe size']]))
        ->assertOk()
        ->assertSeeInOrder(['name', 'columns.0', 'sort']);
    $this->post('/views', viewForm(['shared_with' => 'team']))->assertOk()->assertSee('Choose which team sees it.');
    expect(SavedView::query()->count())->toBe(0);
    $deep = ['field' => 'subject', 'op' => 'is', 'value' => 'x'];
    $this->post('/views', viewForm(['condition' => ['head' => 'all', 'parts' => array_fill(0, 600, $deep)]]))
        ->assertOk()
        ->assertSee('larger than 500 parts');
});

it('counts views in two questions however many there are, and only as far as it matters', function (): void {
    foreach (range(1, 6) as $number) {
        $this->post('/views', viewForm(['name' => "View {$number}"]));
    }
    DB::enableQueryLog();
    $counts = app(ViewCounts::class)->of($this->teammate('ilse'), SavedView::query()->get(), 'a mark');
    $counting = array_filter(
        DB::getQueryLog(),
        static fn (array $query): bool => str_contains($query['query'], 'COUNT(*)') || str_contains($query['query'], 'SUM(')
    );
    expect($counting)->toHaveCount(2)->and(array_slice($counts, -6))->toBe([1, 1, 1, 1, 1, 1])
        ->and(ViewCounts::show(1000))->toBe('999+')->and(ViewCounts::show(999))->toBe('999');
});

it('shows a view as a board and moves its cards by the actions that are used everywhere', function (): void {
    $tail = Conversation::query()->where('subject', 'Which tail is longer')->sole();
    $move = fn (string $by, string $to, array $also = []) => $this->from('/queue/my-turn/board')
        ->post('/board/move', ['conversation' => $tail->id, 'by' => $by, 'to' => $to, ...$also])
        ->assertRedirect('/queue/my-turn/board');
    $this->get('/queue/my-turn/board')->assertOk()->assertSeeInOrder(['Open', 'Which tail is longer', 'Waiting', 'Held', 'Resolved']);
    $move('state', 'held')->assertSessionHas('problem');
    $move('state', 'held', ['reason' => 'Workshop measures'])->assertSessionHas('done');
    expect($tail->refresh()->state)->toBe(ConversationState::Held)->and($tail->held_reason)->toBe('Workshop measures');
    $move('state', 'resolved', ['outcome' => Outcome::query()->value('id')])->assertSessionHas('done');
    expect($tail->refresh()->state)->toBe(ConversationState::Resolved);
    $move('state', 'open');
    $category = Category::query()->where('name', 'Before buying')->sole();
    $move('category', (string) $category->id);
    $move('owner', (string) $this->teammate('ruta')->id);
    $move('team', '');
    expect($tail->refresh()->only(['category_id', 'owner_id', 'team_id']))->toBe([
        'category_id' => $category->id, 'owner_id' => $this->teammate('ruta')->id, 'team_id' => null,
    ]);
    $this->get('/queue/nobodys-yet/board?by=owner')->assertOk()->assertSee('Detailed question');
    $this->get('/queue/my-turn/board?by=category')->assertOk()->assertSee('Product › Before buying');
    $this->actingAs($this->teammate('femi'));
    $this->post(
        '/board/move',
        ['conversation' => $tail->id, 'by' => 'state', 'to' => 'resolved', 'outcome' => Outcome::query()->value('id')]
    )->assertForbidden();
});

it('asks the database a fixed number of questions for a board', function (): void {
    $count = function (): int {
        DB::enableQueryLog();
        DB::flushQueryLog();
        $this->get('/queue/my-turn/board?by=category')->assertOk();

        return count(DB::getQueryLog());
    };
    Conversation::query()->first()?->forceFill(['category_id' => Category::query()->value('id')])->save();
    // What is asked once for all is known from the first on.
    $count();
    $before = $count();
    foreach (range(1, 5) as $number) {
        Mails::conversation(['Subject' => "More {$number}", 'From' => "m{$number}@x.example"])
            ->forceFill(['category_id' => Category::query()->skip($number)->value('id')])
            ->save();
    }
    expect($count())->toBe($before);
});

it('keeps one entry of counts for each person, and counts anew when something happens', function (): void {
    $counts = app(ViewCounts::class);
    $first = $counts->of($this->teammate('ilse'), SavedView::query()->get(), 'one mark');
    Mails::conversation(['Subject' => 'One more', 'From' => 'more@x.example']);
    expect($counts->of($this->teammate('ilse'), SavedView::query()->get(), 'one mark'))->toBe($first)
        ->and($counts->of($this->teammate('ilse'), SavedView::query()->get(), 'another')['my-turn'])->toBe($first['my-turn'] + 1);
});

it('narrows a list by a category with all below it', function (): void {
    $late = Category::query()->where('name', 'Late parcel')->sole();
    Conversation::query()->where('subject', 'Detailed question')->sole()->forceFill(['category_id' => $late->id])->save();
    $this->get("/queue/my-turn?category={$late->parent_id}")->assertSee('Detailed question')->assertDontSee('Which tail is longer');
});

it('gives a refused form back as it was written, with its conditions, and to no other page', function (array $wrong, string $says): void {
    $this->post('/views', viewForm(['name' => 'Another']));
    $another = SavedView::query()->sole();
    $form = FilledForm::on(
        $this->post('/views', viewForm([...$wrong, 'sort' => 'next_up', 'columns' => ['owner']]))->assertOk()->assertSee($says),
        '/views'
    )->values();
    expect($form['condition']['parts'][0]['value'])->toBe('tail, TAILS')
        ->and($form['sort'])->toBe('next_up')->and($form['columns'])->toBe(['owner'])
        ->and($form['name'])->toBe($wrong['name'] ?? 'Tails')
        ->and(SavedView::query()->count())->toBe(1);
    expect(FilledForm::on($this->get("/views/{$another->id}"), "/views/{$another->id}")->values()['name'])->toBe('Another');
})->with([
    'no team' => [['shared_with' => 'team', 'team' => ''], 'Choose which team sees it.'],
    'a name too long' => [['name' => str_repeat('n', 61)], 'must not be greater than 60'],
]);

it('leaves every column out that nobody ticked, also where something else is refused', function (): void {
    $form = FilledForm::on($this->post('/views', viewForm(['columns' => [], 'name' => str_repeat('n', 61)])), '/views')->values();
    expect($form)->not->toHaveKey('columns');
    $this->post('/views', viewForm(['columns' => []]));
    expect(SavedView::query()->sole()->columns)->toBe([]);
});

it('is shown to teams of one’s own only, but for leads', function (): void {
    $bench = Team::query()->where('name', 'Returns bench')->value('id');
    $this->post('/views', viewForm(['shared_with' => 'team', 'team' => $bench]))->assertOk()->assertSee('Choose a team that is yours.');
    expect(SavedView::query()->exists())->toBeFalse();
    $this->actingAs($this->teammate('mads'))
        ->post('/views', viewForm(['shared_with' => 'team', 'team' => $bench]))
        ->assertSessionHas('done');
    $this->actingAs($this->teammate('femi'))->get('/queue/my-turn')->assertSee('Tails');
});

it('says to the later of two what the other changed, and keeps both', function (): void {
    $this->actingAs($this->teammate('mads'))->post('/views', viewForm(['shared_with' => 'everybody']));
    $view = SavedView::query()->sole();
    preg_match('/name="seen" value="([0-9a-f]{64})"/', (string) $this->get("/views/{$view->id}")->getContent(), $seen);
    // Corin was quicker.
    $this->actingAs($this->teammate('corin'))->post("/views/{$view->id}", viewForm(['name' => 'His tails', 'seen' => $seen[1]]))
        ->assertRedirect();
    $late = $this->actingAs($this->teammate('mads'))->post("/views/{$view->id}", viewForm(['name' => 'My tails', 'seen' => $seen[1]]))
        ->assertSee('Somebody has changed it meanwhile')->assertSee('As it stands now: “His tails”')
        ->assertSee('value="My tails"', false)->assertSee('Subject has one of the words “tail”, “TAILS”');
    expect($view->refresh()->name)->toBe('His tails');
    preg_match('/name="seen" value="([0-9a-f]{64})"/', (string) $late->getContent(), $again);
    $this->post("/views/{$view->id}", viewForm(['name' => 'My tails', 'seen' => $again[1]]))->assertRedirect();
    expect($view->refresh()->name)->toBe('My tails');
    // Once more from the same form is a change of somebody's, too.
    $this->post("/views/{$view->id}", viewForm(['name' => 'Third', 'seen' => $again[1]]))->assertSee('changed it meanwhile');
});
