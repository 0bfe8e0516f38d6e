<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Fields\OwnField;
use App\Sorting\ArrangeCategories;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Views\SavedView;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

beforeEach(fn () => $this->actingAs($this->teammate('mads')));

/**
 * @return list<string> what the journal says of a kind
 */
function journalled(Conversation $conversation, JournalKind $kind): array
{
    return JournalEntry::query()->where('conversation_id', $conversation->id)->where('kind', $kind)->orderBy('id')->get()
        ->map(static fn (JournalEntry $entry): string => implode(' ', array_filter([...array_map(
            static fn (mixed $one): string => is_array($one) ? $one['name'] ?? implode(', ', array_column($one, 'name')) : (string) $one,
            array_values($entry->details)
        ), $entry->why])))
        ->all();
}

it('is for leads and administrators', function (): void {
    foreach (['categories', 'outcomes', 'tags', 'fields'] as $page) {
        $this->get("/sorting/{$page}")->assertOk();
        $this->actingAs($this->teammate('ilse'))->get("/sorting/{$page}")->assertForbidden();
        $this->post("/sorting/{$page}", ['name' => 'Mine'])->assertForbidden();
        $this->actingAs($this->teammate('mads'));
    }
});

it('makes, renames and moves categories, with the paths of all below', function (): void {
    $delivery = Category::query()->where('name', 'Delivery')->sole();
    $this->post(
        '/sorting/categories',
        [
            'name' => 'Customs', 'customer_name' => '', 'parent' => $delivery->id, 'members' => [$this->teammate('ruta')->id],
            'responsible' => $this->teammate('ilse')->id,
        ]
    )->assertSessionHas('done');
    $customs = Category::query()->where('name', 'Customs')->sole();
    expect($customs->path)
        ->toBe('Delivery › Customs')
        ->and($customs->customer_name)
        ->toBe('Customs')
        ->and($customs->members->pluck('name')->all())
        ->toBe(['Ruta Kalnina']);
    $this->post("/sorting/categories/{$delivery->id}", ['name' => 'Shipping', 'position' => 3]);
    expect($customs->refresh()->path)->toBe('Shipping › Customs');
    $this->get('/sorting/categories')->assertSeeInOrder(['Shipping', 'Customs', 'Ilse', 'Ruta']);
    $this->post("/sorting/categories/{$delivery->id}", ['name' => 'Shipping', 'parent' => $customs->id])->assertSessionHas('problem');
    $this->post('/sorting/categories', ['name' => 'Customs', 'parent' => $delivery->id])->assertSessionHas(
        'problem', 'There is “Customs” already. Choose another name, or merge the two.'
    );
    expect($delivery->refresh()->parent_id)->toBeNull();
});

it('merges categories: what is not done moves, what is done keeps its own and is found under both', function (): void {
    [$lost, $late] = [Category::query()->where('name', 'Lost parcel')->sole(), Category::query()->where('name', 'Late parcel')->sole()];
    $open = Mails::conversation();
    $done = Mails::conversation(['Subject' => 'Long ago', 'From' => 'old@x.example']);
    $open->forceFill(['category_id' => $lost->id])->save();
    $done->forceFill(['category_id' => $lost->id, 'state' => ConversationState::Resolved])->save();
    $this->post("/sorting/categories/{$lost->id}/merge", ['into' => $lost->id])->assertSessionHas('problem');
    $this->post("/sorting/categories/{$lost->id}/merge", ['into' => $late->id])->assertSessionHas('done');
    expect($open->refresh()->category_id)->toBe($late->id)
        ->and(journalled($open, JournalKind::CategoryChanged))
        ->toBe(['Delivery › Lost parcel Delivery › Late parcel “Lost parcel” was merged into it'])
        ->and($done->refresh()->category_id)->toBe($lost->id)
        ->and(ArrangeCategories::withAllUnder([$late->id]))->toEqualCanonicalizing([$late->id, $lost->id]);
    $this->get("/conversations/{$open->id}")->assertDontSee('Delivery › Lost parcel</button>', false);
    $this->post("/sorting/categories/{$late->id}/merge", ['into' => $lost->id])->assertSessionHas('problem');
});

it('retires a category only when nothing lies below it, and brings it back', function (): void {
    $delivery = Category::query()->where('name', 'Delivery')->sole();
    $late = Category::query()->where('name', 'Late parcel')->sole();
    $this->post("/sorting/categories/{$delivery->id}/retire")->assertSessionHas('problem');
    $this->post("/sorting/categories/{$late->id}/retire")->assertSessionHas(
        'problem', '“Delivery › Late parcel” is needed by the view “Before the festival”. Change it or switch it off first.'
    );
    SavedView::query()->delete();
    $this->post("/sorting/categories/{$late->id}/retire")->assertSessionHas('done');
    expect(Category::inUse()->whereKey($late->id)->exists())->toBeFalse();
    $this->post("/sorting/categories/{$late->id}/bring-back");
    expect(Category::inUse()->whereKey($late->id)->exists())->toBeTrue();
});

it('does not offer customers a hidden category', function (): void {
    $late = Category::query()->where('name', 'Late parcel')->sole();
    $this->get('/forms/contact')->assertSee('My parcel is late');
    $this->post(
        "/sorting/categories/{$late->id}",
        ['name' => 'Late parcel', 'customer_name' => 'My parcel is late', 'parent' => $late->parent_id, 'hidden' => 1]
    );
    $this->get('/forms/contact')->assertDontSee('My parcel is late');
});

it('renames, merges and retires outcomes', function (): void {
    $this->post('/sorting/outcomes', ['name' => 'Advice given']);
    $this->post('/sorting/outcomes', ['name' => 'Advice given'])->assertSessionHas('problem');
    [$advice, $given] = [
        Outcome::query()->where('name', 'Advice given')->sole(), Outcome::query()->where('name', 'Information given')->sole(),
    ];
    $this->post("/sorting/outcomes/{$advice->id}", ['name' => 'Advice']);
    $this->post("/sorting/outcomes/{$advice->id}/merge", ['into' => $given->id])->assertSessionHas('done');
    expect(Outcome::inUse()->where('name', 'Advice')->exists())->toBeFalse();
    $this->get('/sorting/outcomes')->assertSee('merged into Information given');
});

it('gives tags by name, whatever the accents and case, and takes them away', function (): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('femi'))
        ->post("/conversations/{$conversation->id}/tags", ['give' => 'Festival,  festIVAL , batch K'])
        ->assertSessionHas('done');
    expect($conversation->tags()->pluck('name')->all())->toEqualCanonicalizing(['Festival', 'batch K'])
        ->and(journalled($conversation, JournalKind::TagsChanged))->toBe(['Festival, batch K']);
    $this->post("/conversations/{$conversation->id}/tags", ['take' => Tag::query()->where('name', 'Festival')->value('id')]);
    expect($conversation->tags()->pluck('name')->all())->toBe(['batch K']);
    $this->get('/queue/nobodys-yet')->assertSee('batch K');
    $this->post("/conversations/{$conversation->id}/tags", ['give' => str_repeat('x', 80)])->assertSessionHas('problem');
});

it('merges tags and finds a merged one by its old name', function (): void {
    $conversation = Mails::conversation();
    $this->post("/conversations/{$conversation->id}/tags", ['give' => 'broken, batch k']);
    [$broken, $batch] = [Tag::query()->where('folded', 'broken')->sole(), Tag::query()->where('folded', 'batch k')->sole()];
    $this->post("/sorting/tags/{$broken->id}/merge", ['into' => $batch->id])->assertSessionHas('done');
    expect($conversation->tags()->pluck('name')->all())->toBe(['batch k']);
    $other = Mails::conversation(['Subject' => 'Another', 'From' => 'b@x.example']);
    $this->post("/conversations/{$other->id}/tags", ['give' => 'BROKEN']);
    expect($other->tags()->pluck('name')->all())->toBe(['batch k']);
});

it('keeps what is written in fields of the store’s own, each kind as it should be', function (): void {
    $conversation = Mails::conversation();
    foreach (
        [
            'Batch' => ['text'], 'Metres' => ['number'], 'Promised for' => ['date'],
            'Fault' => ['choice', "Split ferrule\nTorn sail"], 'Parts' => ['choices', "Spar\nSail\nLine"],
            'Photo seen' => ['yes_no'],
        ] as $name => $kind
    ) {
        $this->post(
            '/sorting/fields', ['about' => 'conversation', 'name' => $name, 'kind' => $kind[0], 'choices' => $kind[1] ?? '']
        )->assertSessionHas('done');
    }
    $ids = OwnField::query()->pluck('id', 'name');
    $this->post("/conversations/{$conversation->id}/fields", ['fields' => [
        $ids['Batch'] => ' K ', $ids['Metres'] => '12,50', $ids['Promised for'] => '2026-11-28', $ids['Fault'] => 'split FERRULE',
        $ids['Parts'] => ['', 'Spar', 'Line'], $ids['Photo seen'] => 'yes',
    ]])->assertSessionHas('done');
    expect(journalled($conversation, JournalKind::FieldChanged))->toBe([
        'Batch K', 'Metres 12.5', 'Promised for 2026-11-28', 'Fault Split ferrule', 'Parts Spar, Line', 'Photo seen yes',
    ]);
    $this->post(
        "/conversations/{$conversation->id}/fields",
        ['fields' => [$ids['Batch'] => 'L', $ids['Metres'] => 'many', $ids['Promised for'] => '2026-02-30']]
    )
        ->assertSessionHas(
            'problem',
            '“Metres” takes a number such as 12 or 12.5, not “many”. “Promised for” takes a date such as 2026-11-30, not “2026-02-30”.'
        );
    $this->get("/conversations/{$conversation->id}")
        ->assertSee('value="L"', false)
        ->assertSee('value="12.5"', false)
        ->assertSee('value="2026-11-28"', false);
});

it('has a required field filled in before a conversation is resolved', function (): void {
    $conversation = Mails::conversation();
    $this->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Cause', 'kind' => 'text', 'required' => 1]);
    $outcome = Outcome::query()->value('id');
    $seen = JournalEntry::query()->max('id');
    $this->post(
        "/conversations/{$conversation->id}/resolve", ['outcome' => $outcome, 'seen' => $seen]
    )->assertSessionHas('problem', 'Before it is resolved, fill in “Cause”, beside the conversation.');
    $this->post("/conversations/{$conversation->id}/fields", ['fields' => [OwnField::query()->value('id') => 'Festival']]);
    $this->post(
        "/conversations/{$conversation->id}/resolve", ['outcome' => $outcome, 'seen' => JournalEntry::query()->max('id')]
    )->assertSessionHas('done');
    expect($conversation->refresh()->state)->toBe(ConversationState::Resolved);
});

it('keeps a choice that is in use, and what was written in a retired field', function (): void {
    $conversation = Mails::conversation();
    $this->post('/sorting/fields', ['about' => 'customer', 'name' => 'Flies', 'kind' => 'choice', 'choices' => "Single line\nTwo lines"]);
    $field = OwnField::query()->sole();
    $this->post("/conversations/{$conversation->id}/fields", ['fields' => [$field->id => 'Two lines']]);
    $this->post("/sorting/fields/{$field->id}", ['name' => 'Flies', 'choices' => "Single line\nPower"])->assertSessionHas(
        'problem', '“Two lines” is chosen once and cannot be taken out. Retire the field, or keep the choice.'
    );
    $this->post("/sorting/fields/{$field->id}/retire");
    $this->get("/conversations/{$conversation->id}")->assertSee('Two lines')->assertDontSee("name=\"fields[{$field->id}]\"", false);
    $this->post(
        '/sorting/fields', ['about' => 'customer', 'name' => 'Colour', 'kind' => 'choice', 'choices' => 'only one']
    )->assertSessionHas('problem', 'Write the choices, one on each line: at least two.');
});

it('gives a conversation to a team and writes it down', function (): void {
    $conversation = Mails::conversation();
    $bench = App\Team\Team::query()->where('name', 'Returns bench')->sole();
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/team", ['team' => $bench->id])
        ->assertSessionHas('done');
    expect($conversation->refresh()->team_id)
        ->toBe($bench->id)
        ->and(journalled($conversation, JournalKind::TeamChanged))
        ->toBe(['Care Returns bench']);
    $this->get("/conversations/{$conversation->id}")->assertSee('Given to the team Returns bench by Ilse Norrby');
});

it('takes card numbers out of what is written into the form’s own fields, too', function (): void {
    $form = App\Channels\Account::query()->where('channel', 'web_form')->sole();
    $form->forceFill(['settings' => [...$form->settings, 'fields' => 'Batch letter']])->save();
    $this->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch Letter', 'kind' => 'text']);
    app(App\Channels\WebForm\TakeForm::class)->take(
        App\Channels\WebForm\Form::of($form->refresh()),
        App\Channels\WebForm\FilledForm::from(
            ['name' => 'Ana', 'email' => 'ana@x.example', 'text' => 'It split.', 'own' => ['4111 1111 1111 1111']],
            App\Channels\WebForm\Form::of($form)
        ),
        [], 'once', now()->subMinute()->getTimestamp(), false,
    );
    expect(DB::table('own_values')->pluck('text')->implode(' '))->not->toBe('')->not->toContain('4111 1111')
        ->and(DB::table('journal')->where('details', 'like', '%4111 1111%')->exists())->toBeFalse();
});

it('has fields of the store’s own in the web form and in the export', function (): void {
    $form = App\Channels\Account::query()->where('channel', 'web_form')->sole();
    $form->forceFill(['settings' => [...$form->settings, 'fields' => "Batch letter\nFlies best in"]])->save();
    $this->post('/sorting/fields', ['about' => 'conversation', 'name' => 'Batch Letter', 'kind' => 'text']);
    $this->post(
        '/sorting/fields',
        ['about' => 'conversation', 'name' => 'flies best in', 'kind' => 'choice', 'choices' => "Light wind\nStrong wind"]
    );
    $this->post('/sign-out');
    $this->get('/forms/contact')->assertSee('<option >Light wind</option>', false);
    Illuminate\Support\Facades\Http::fake();
    app(App\Channels\WebForm\TakeForm::class)->take(
        App\Channels\WebForm\Form::of($form->refresh()),
        App\Channels\WebForm\FilledForm::from(
            ['name' => 'Ana', 'email' => 'ana@x.example', 'text' => 'It split.', 'own' => ['K', 'a storm']],
            App\Channels\WebForm\Form::of($form)
        ),
        [], 'once', now()->subMinute()->getTimestamp(), false,
    );
    $conversation = Conversation::query()->latest('id')->firstOrFail();
    expect(journalled($conversation, JournalKind::FieldChanged))->toBe(['Batch Letter K in the form'])
        ->and($conversation->messages()->value('text'))->toContain('Flies best in: a storm');
    $exported = json_decode(
        implode('', iterator_to_array(app(App\History\ExportHistory::class)->pieces(App\History\HistoryFormat::JsonLines, null), false)),
        true
    );
    expect($exported['fields'])->toBe(['batch_letter' => ['K']]);
});
