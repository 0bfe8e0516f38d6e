<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Sorting\Category;
use App\Templates\GiveTemplates;
use App\Templates\Template;
use App\Templates\TemplateLanguage;
use App\Templates\TemplateVersion;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Http;
use Tests\App\Mails;
use Tests\App\Services;

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->actingAs($this->teammate('mads'));
    $this->form = fn (array $form = []): array => [
        'name' => 'Late', 'folder' => 'Delivery', 'shared_with' => 'everybody',
        'texts' => [['language' => 'en', 'text' => 'It is late.']], ...$form,
    ];
    $this->take = fn (string $bytes, string $name = 'templates.csv') => $this->post(
        '/templates/exchange', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]
    );
});

it('keeps a template with its languages, steps and categories', function (): void {
    $late = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $this->post('/templates', ($this->form)([
        'texts' => [
            ['language' => 'en', 'text' => "It is late.\r\nSorry."],
            ['language' => 'da', 'text' => 'Den er forsinket.', 'subject' => 'Om din pakke'], ['language' => '', 'text' => ''],
        ],
        'categories' => [$late->id], 'step' => 'add_tag=', 'step_text' => 'festival',
    ]))->assertSessionHas('done', '“Late” is saved.');
    $template = Template::query()->with('languages')->sole();
    expect($template->languages->pluck('text', 'language')->all())->toBe(['da' => 'Den er forsinket.', 'en' => "It is late.\nSorry."])
        ->and($template->steps)->toBe([['do' => 'add_tag', 'value' => 'festival']])
        ->and($template->categories->modelKeys())->toBe([$late->id])
        ->and($template->version)->toBe(1);
    $this->get("/templates/{$template->id}")->assertOk()->assertSee('Om din pakke')->assertSee('tag “festival”');
    $this->get('/templates')->assertSeeInOrder(['Delivery', 'Late', 'en, da']);
});

it('says what cannot be kept, and loses nothing of it', function (array $form, string $why): void {
    $this->post('/templates', ($this->form)($form))->assertOk()->assertSee($why)->assertSee($form['texts'][0]['text'] ?? 'It is late.');
    expect(Template::query()->count())->toBe(0);
})->with([
    [
        ['texts' => [['language' => 'en', 'text' => "Hello\n{{ customer.firstname }}"]]],
        'English, line 2, character 1: there is no placeholder {{ customer.firstname }}. Is {{ customer.first_name }} meant?',
    ],
    [
        ['texts' => [['language' => 'da', 'text' => 'Hej {{ if order.sent }} ja']]],
        'Danish, line 1, character 5: This {{ if … }} has no {{ end }}.',
    ],
    [['texts' => [['language' => 'xx', 'text' => 'Hello']]], '“xx” is no language.'],
    [['step' => 'hold=', 'step_text' => 'tomorrow'], 'write how many working hours'],
    [['shared_with' => 'team'], 'Choose which team it is for.'],
]);

it('keeps each change as a version, and goes back to one', function (): void {
    $this->post('/templates', ($this->form)());
    $id = Template::query()->sole()->id;
    $this->post("/templates/{$id}", ($this->form)());
    expect(TemplateVersion::query()->count())->toBe(1);
    $this->post(
        "/templates/{$id}", ($this->form)(['name' => 'Very late', 'texts' => [['language' => 'en', 'text' => 'It is very late.']]])
    );
    expect(TemplateVersion::query()->orderByDesc('version')->firstOrFail()->what)->toBe('name, text in English');
    $this->get("/templates/{$id}/versions")->assertSeeInOrder([
        'name, text in English, Mads Overgaard', 'It is very late.', 'made', 'It is late.',
    ]);
    $this->post("/templates/{$id}/versions/1")->assertSessionHas('done');
    expect(Template::query()->sole()->name)->toBe('Late')->and(Template::query()->sole()->version)->toBe(3);
});

it('lets only who made it, a lead or an administrator change it', function (): void {
    $this->post('/templates', ($this->form)());
    $id = Template::query()->sole()->id;
    $this->actingAs($this->teammate('ilse'))->get("/templates/{$id}")->assertOk()->assertSee('Only who made it');
    $this->post("/templates/{$id}", ($this->form)(['name' => 'Mine now']))->assertForbidden();
    $this->post("/templates/{$id}/retire")->assertForbidden();
    $this->post('/templates', ($this->form)(['name' => 'Own of Ilse', 'shared_with' => 'nobody']))->assertSessionHas('done');
    $own = Template::query()->where('name', 'Own of Ilse')->firstOrFail();
    $this->actingAs($this->teammate('corin'))->get("/templates/{$own->id}")->assertNotFound();
});

it('retires a template and takes it back', function (): void {
    $this->post('/templates', ($this->form)());
    $id = Template::query()->sole()->id;
    $conversation = Mails::conversation();
    $this->post("/templates/{$id}/retire")->assertSessionHas('done');
    $this->get("/conversations/{$conversation->id}/templates?q=late")->assertDontSee('Delivery');
    $this->get('/templates')->assertSee('Retired, 1');
    $this->post("/templates/{$id}/bring-back");
    $this->get("/conversations/{$conversation->id}/templates?q=late")->assertSee('Delivery');
});

it('cleans rich text and fills it without letting values become markup', function (): void {
    $this->post(
        '/templates',
        ($this->form)([
            'texts' => [
                [
                    'language' => 'en', 'text' => 'x',
                    'html' => '<div>Hello <strong>{{ customer.name | "there" }}</strong><script>alert(1)</script></div>',
                ],
            ],
        ])
    )->assertSessionHas('done');
    $template = Template::query()->with('languages')->sole();
    expect($template->languages->sole()->html)->toContain('<strong>{{ customer.name')->not->toContain('script')
        ->and($template->languages->sole()->text)->toBe('Hello {{ customer.name | "there" }}');
    $conversation = Mails::conversation(['From' => '"<b>Bo & Co</b>" <bo@x.example>']);
    $this->post("/conversations/{$conversation->id}/templates/{$template->id}")->assertSee(e('&lt;b&gt;Bo &amp; Co&lt;/b&gt;'), false);
});

it('shows what is written as it reads in a real conversation', function (): void {
    $conversation = Mails::conversation();
    $preview = fn (string $text) => $this->post(
        '/templates/preview', ['texts' => [['language' => 'en', 'text' => $text]], 'conversation' => $conversation->number()]
    );
    $preview('Hello {{ customer.first_name | "there" }}, {{ order.number }}')
        ->assertSee('Hello Tomas, {{ order.number }}')
        ->assertSee('Not filled here');
    $preview('Hello {{ if }}')->assertSee('English, line 1, character 7');
    $this->post(
        '/templates/preview', ['texts' => [['language' => 'en', 'text' => 'x']], 'conversation' => 'C-999999']
    )->assertSee('no such conversation');
});

it('fills what is known of the order, in the customer’s language and the order’s currency', function (): void {
    Http::fake(['*' => Http::response([], 404)]);
    Services::take(Channel::Shop, Services::order(['currency' => 'DKK']));
    Services::take(Channel::WrenParcel, Services::scan('WP7720388', 'at_depot', '2026-11-21T07:00:00Z'));
    $conversation = Mails::conversation(
        ['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'],
        'Where is 71-4480217? The festival is on Saturday.'
    );
    $this->post(
        '/templates',
        ($this->form)([
            'texts' => [
                [
                    'language' => 'da',
                    'text' => '{{ order.number }} af {{ order.placed_on }}: {{ order.total }}{{ if order.sent }} sendt {{ '
                        .'parcel.number }} {{ parcel.place }} {{ parcel.seen_on }}{{ else }} ikke sendt{{ end }}',
                ],
            ],
        ])
    );
    $text = (string) $this->post("/conversations/{$conversation->id}/templates/".Template::query()->value('id'))->assertOk()->getContent();
    expect((string) preg_replace('/[\x{A0}\x{202F}]/u', ' ', html_entity_decode($text)))->toContain(
        '71-4480217 af 11. november 2026: 163,00 kr. sendt WP7720388 Aarhus depot 21. november 2026'
    );
});

it('gives templates as CSV and JSON, and takes them back as they were', function (string $format): void {
    $late = Category::query()->where('name', 'Late parcel')->firstOrFail();
    $this->post(
        '/templates',
        ($this->form)([
            'categories' => [$late->id], 'step' => 'set_priority=high',
            'texts' => [
                ['language' => 'en', 'text' => "It is \"late\",\nsorry; {{ order.number | \"it\" }}"],
                ['language' => 'da', 'text' => 'Øv', 'subject' => 'Pakke'],
            ],
        ])
    );
    $file = (string) $this->get("/templates.{$format}")->assertOk()->getContent();
    ($this->take)($file, "t.{$format}")->assertSee('is so already');
    expect(Template::query()->sole()->version)->toBe(1);
    Template::query()->sole()->delete();
    ($this->take)($file, "t.{$format}")->assertSee('1 taken')->assertSee('made');
    $template = Template::query()->with(['languages', 'categories'])->sole();
    expect($template->languages->pluck('text', 'language')->all())->toBe([
        'da' => 'Øv', 'en' => "It is \"late\",\nsorry; {{ order.number | \"it\" }}",
    ])
        ->and($template->steps)->toBe([['do' => 'set_priority', 'value' => 'high']])
        ->and($template->categories->pluck('name')->all())->toBe(['Late parcel'])
        ->and($template->shared_with)->toBe(SharedWith::Everybody);
    expect((string) $this->get("/templates.{$format}")->getContent())->toBe($file);
})->with(['csv', 'json']);

it('tells own ones from everybody’s of the same name', function (string $format): void {
    $this->post('/templates', ($this->form)(['shared_with' => 'everybody']))->assertSessionHas('done');
    $this->post(
        '/templates', ($this->form)(['shared_with' => 'nobody', 'texts' => [['language' => 'en', 'text' => 'Only mine']]])
    )->assertSessionHas('done');
    $file = (string) $this->get("/templates.{$format}")->getContent();
    ($this->take)($file, "t.{$format}")->assertSee('2 taken')->assertDontSee('version 2');
    expect(Template::query()->pluck('version')->all())->toBe([1, 1]);
    // Shared otherwise in the file, it is still the same one.
    Template::query()->where('shared_with', 'everybody')->delete();
    ($this->take)("name,folder,text,shared_with\nLate,Delivery,Only mine,everybody\n")->assertSee('changed, now version 2');
    expect(Template::query()->sole()->shared_with)->toBe(SharedWith::Everybody);
})->with(['csv', 'json']);

it('gives a table in which nothing is computed, and takes it back as it was', function (): void {
    $formula = '=HYPERLINK("http://x.example","Look")';
    $this->post('/templates', ($this->form)(['name' => '=1+1', 'texts' => [['language' => 'en', 'text' => $formula]]]))
        ->assertSessionHas('done');
    $csv = app(GiveTemplates::class)->csv([Template::query()->where('name', '=1+1')->sole()]);
    expect($csv)->toContain("'=1+1")->toContain('\'=HYPERLINK(')->not->toMatch('/(^|[,"\n])=/');
    Template::query()->delete();
    ($this->take)($csv);
    expect(Template::query()->sole()->name)->toBe('=1+1')
        ->and(TemplateLanguage::query()->sole()->text)->toBe($formula);
});

it('reports each row that does not fit, and takes the others', function (): void {
    ($this->take)(
        "name;text;categories;language\nGood;Hello;;en\nGood;Hej;;da\nNo text;;;en\nBad category;Hello;Nowhere;en\nBad placeholder;"
            ."{{ customer.nam }};;en\nshort;row\n"
    )
        ->assertSee('1 taken, 4 not')
        ->assertSeeInOrder(['row 7', 'It has 2 fields, and the headings name 4.'])
        ->assertSeeInOrder(['row 2', 'Good', 'made'])
        ->assertSee('There is no category “Nowhere”.')->assertSee('Is {{ customer.name }} meant?')->assertSee('needs a text');
    expect(Template::query()->with('languages')->sole()->languages->pluck('language')->all())->toBe(['da', 'en']);
});

it('takes no template of which a row does not fit, since it would lack a language', function (string $row, string $what): void {
    ($this->take)("name,text,language,steps\nGood,Hello,en,\nHalf,Hello,en,\n{$row}\n")
        ->assertSee('1 taken, 2 not')
        ->assertSeeInOrder(['row 4', $what])
        ->assertSee('Not taken: it would lack what stands in row 4, which does not fit.');
    expect(Template::query()->pluck('name')->all())->toBe(['Good']);
})->with([
    'a field too many' => ['Half,Hej, med dig,da,', 'It has 5 fields'],
    'steps that cannot be read' => ['Half,Hej,da,tag', 'Its steps are no JSON list'],
    'steps that are no list' => ['Half,Hej,da,"{""do"": ""tag""}"', 'Its steps are no JSON list'],
    'a language twice' => [' Half ,Hi again, en ,', 'It is there in “en” twice, the first time in row 3.'],
]);

it('reports each template of a JSON file that does not fit, and takes the others', function (array $one, string $what): void {
    ($this->take)(
        (string) json_encode([
            ['name' => 'Good', 'texts' => ['en' => ['text' => 'Hello']]],
            ['name' => 'Other', 'texts' => ['en' => ['text' => 'Hello']], ...$one],
        ]),
        't.json'
    )
        ->assertSee('1 taken, 1 not')->assertSeeInOrder(['template 2', trim($one['name'] ?? 'Other'), $what]);
    expect(Template::query()->pluck('name')->all())->toBe(['Good']);
})->with([
    [['texts' => ['en' => 'Hello']], 'Its texts must be objects by language'], [
        ['texts' => ['en' => ['text' => 5]]], 'Its texts must be objects by language',
    ],
    [['steps' => 'tag'], 'its steps a list'], [
        ['categories' => 'Delivery'], 'its categories a list of paths',
    ], [['categories' => [5]], 'its categories a list of paths'],
    [
        ['name' => ' Good', 'folder' => ''], 'It is there twice, the first time as template 1.',
    ], [
        ['categories' => ['Nowhere']], 'There is no category “Nowhere”.',
    ], [['shared_with' => 'all'], 'It must be nobody, team or everybody.'],
    [
        ['shared_with' => 'team', 'team' => 'Nobody’s'], 'There is no team “Nobody’s”.',
    ], [['steps' => [['do' => 'sing', 'value' => 'x']]], 'sing'],
]);

it('says where it stopped when a file is too long', function (): void {
    ($this->take)("name,text\n".implode("\n", array_fill(0, 5001, 'Same,')))->assertSeeInOrder([
        'row 5002', 'Not looked at, with all that follows: a file has 5,000 at most.',
    ]);
});

it('refuses what is no such file at all', function (string $bytes, string $why): void {
    ($this->take)($bytes)->assertOk()->assertSee($why);
    expect(Template::query()->count())->toBe(0);
})->with([
    ["title,body\nx,y\n", 'The first line must name the columns, each once: name, text at least'],
    ["name,text,colour\nx,y,red\n", 'columns that are not known: colour'],
    ["name,text,name\nx,y,z\n", 'each once'],
    ['{"templates": 5}', 'It has no list “templates”.'],
    ['{"templates": [', 'It is no JSON that can be read'],
    ['', 'The first line must name the columns'],
]);

it('copies a template with all that belongs to it, for oneself where one may not share so', function (): void {
    $this->post('/templates', ($this->form)(['texts' => [
        ['language' => 'en', 'text' => 'It is late.'], ['language' => 'da', 'text' => 'Det er sent.'],
    ]]));
    $template = Template::query()->sole();
    $this->get("/templates/{$template->id}")->assertSee('Copy this template');
    $this->post("/templates/{$template->id}/copy")->assertRedirect();
    $copy = Template::query()->orderByDesc('id')->firstOrFail();
    expect($copy->name)->toBe('Copy of Late')->and($copy->version)->toBe(1)->and($copy->steps)->toEqual($template->steps)
        ->and($copy->shared_with)->toBe($template->shared_with)
        ->and($copy->languages()->orderBy('language')->pluck('text')->all())->toBe(['Det er sent.', 'It is late.'])
        ->and($copy->categories()->count())->toBe($template->categories()->count());
    $this->actingAs($this->teammate('ilse'))->post("/templates/{$template->id}/copy")->assertRedirect();
    $hers = Template::query()->orderByDesc('id')->firstOrFail();
    expect($hers->teammate_id)->toBe($this->teammate('ilse')->id);
    $this->post("/templates/{$hers->id}", ($this->form)(['name' => 'Hers', 'shared_with' => 'nobody']))->assertSessionHas('done');
    $this->actingAs($this->teammate('mads'))->post("/templates/{$hers->id}/copy")->assertNotFound();
});

it('says to the later of two what the other changed in a template, and keeps both', function (): void {
    $this->post('/templates', ($this->form)());
    $template = Template::query()->sole();
    $this->get("/templates/{$template->id}")->assertSee('name="seen" value="1"', false);
    $theirs = ($this->form)(['seen' => '1', 'texts' => [['language' => 'en', 'text' => 'It is rather late.']]]);
    $this->actingAs($this->teammate('corin'))->post("/templates/{$template->id}", $theirs)->assertRedirect();
    $mine = ($this->form)(['seen' => '1', 'texts' => [['language' => 'en', 'text' => 'It is very late.']]]);
    $this->actingAs($this->teammate('mads'))->post("/templates/{$template->id}", $mine)
        ->assertSee('Corin Hale has changed it meanwhile (text in English)')->assertSee('It is rather late.')->assertSee('It is very late.')
        ->assertSee('name="seen" value="2"', false);
    expect($template->languages()->value('text'))->toBe('It is rather late.');
    $this->post("/templates/{$template->id}", [...$mine, 'seen' => '2'])->assertRedirect();
    expect($template->languages()->value('text'))->toBe('It is very late.');
});
