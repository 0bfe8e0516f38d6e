<?php

declare(strict_types=1);

use App\Answering\Draft;
use App\Answering\ScheduledReply;
use App\Approvals\Approval;
use App\Conversations\Attachment;
use App\Conversations\Message;
use App\Nudges\NudgePlan;
use App\Sorting\Outcome;
use App\Support\FileStore;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\App\Mails;

/*
 * What is somebody's own is so by every door, also by its number: drafts, private templates and their files, calendars.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation();
    $this->at = "/conversations/{$this->conversation->id}";
    $this->keep = fn (string $text) => $this->post("{$this->at}/drafts/reply", ['text' => $text, 'once' => Str::uuid()->toString()]);
});

function ilsesOwnTemplate(): Template
{
    $texts = ['en' => ['subject' => null, 'text' => 'My secret words', 'html' => null]];
    $template = app(SaveTemplate::class)->save(
        null, new TemplateToSave('Only mine', '', SharedWith::Nobody, null, $texts, [], []), test()->teammate('ilse')
    );
    test()->actingAs(test()->teammate('ilse'))->post(
        "/templates/{$template->id}/files", ['file' => UploadedFile::fake()->createWithContent('secret.txt', 'secret')]
    )->assertSessionHas('done');

    return $template;
}

it('shows a draft to whoever writes it, and keeps each apart', function (): void {
    $this->actingAs($this->teammate('ilse'));
    ($this->keep)('Dear Tomas, between us');
    $this->post(
        "{$this->at}/draft-files",
        ['files' => [UploadedFile::fake()->createWithContent('own.txt', 'own')], 'once' => Str::uuid()->toString()]
    )->assertOk();
    $sha256 = Draft::query()->sole()->files[0]['sha256'];
    $this->actingAs($this->teammate('mads'))->get($this->at)->assertOk()->assertDontSee('between us')->assertDontSee('own.txt');
    ($this->keep)('Dear Mr Hrubý');
    $this->delete("{$this->at}/draft-files/{$sha256}")->assertOk();
    $ilses = Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->sole();
    expect($ilses->text)->toBe('Dear Tomas, between us')->and($ilses->files)->toHaveCount(1)
        ->and(Draft::for($this->conversation, $this->teammate('mads'), Draft::REPLY)->sole()->text)->toBe('Dear Mr Hrubý');
});

it('has no template of somebody else’s own, not by its number, nor in answers, lists or plans', function (string $who): void {
    $template = ilsesOwnTemplate();
    $file = $template->files()->sole();
    $this->actingAs($this->teammate($who));
    $this->get("/templates/{$template->id}")->assertNotFound();
    $this->get("/templates/{$template->id}/versions")->assertNotFound();
    $this->get("/templates/{$template->id}/files/{$file->id}")->assertNotFound();
    $this->post("/templates/{$template->id}", ['name' => 'Mine now', 'shared_with' => 'everybody', 'texts' => []])->assertNotFound();
    $this->post("/templates/{$template->id}/retire")->assertNotFound();
    $this->delete("/templates/{$template->id}/files/{$file->id}")->assertNotFound();
    $this->post("{$this->at}/templates/{$template->id}")->assertNotFound();
    $this->get("{$this->at}/templates?q=mine")->assertOk()->assertDontSee('Only mine');
    $this->get('/templates')->assertOk()->assertDontSee('Only mine');
    $this->get('/templates.json')->assertOk()->assertDontSee('secret words');
    $this->get('/search?q=secret')->assertDontSee('Only mine');
    $this->post(
        '/bulk', ['ids' => [$this->conversation->id], 'change' => "template:{$template->id}", 'text' => '', 'view' => 'my-turn']
    )->assertSessionHas('problem');
    expect($template->refresh()->name)->toBe('Only mine')->and($template->files()->count())->toBe(1);
})->with(['mads', 'corin', 'ruta']);

it('cannot be put into a nudge plan by its number, neither by who owns it nor by others', function (): void {
    $template = ilsesOwnTemplate();
    foreach (['mads', 'corin'] as $who) {
        $this->actingAs($this->teammate($who))->post('/nudges', [
            'name' => 'Theirs', 'steps' => [
                ['days' => '1', 'template' => (string) $template->id],
            ], 'end_days' => '1', 'end_outcome' => (string) Outcome::query()->value('id'),
        ])->assertSessionHasErrors('steps.0.template');
    }
    expect(NudgePlan::query()->exists())->toBeFalse();
});

it('gives what was written for later back to who wrote it, whoever calls it off', function (): void {
    $this->actingAs($this->teammate('ilse'))->post("{$this->at}/reply", [
        'text' => 'Tomorrow, I promise.', 'then' => 'waiting', 'when' => 'at', 'at' => '2026-11-24T09:00', 'seen' => DB::table('journal')
            ->max('id'), 'once' => Str::uuid()
            ->toString(),
    ])->assertSessionHas('done');
    $scheduled = ScheduledReply::query()->sole();
    $this->actingAs($this->teammate('femi'))->post("/scheduled/{$scheduled->id}/call-off")->assertForbidden();
    $this->post("/scheduled/{$scheduled->id}/send-now")->assertForbidden();
    $this->actingAs($this->teammate('mads'))->post("/scheduled/{$scheduled->id}/call-off")->assertSessionHas('done');
    expect(Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->sole()->text)->toBe('Tomorrow, I promise.')
        ->and(Draft::for($this->conversation, $this->teammate('mads'), Draft::REPLY)->exists())->toBeFalse()
        ->and(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
});

it('keeps a calendar to whoever has its address, and to nobody once that was changed', function (): void {
    $this->actingAs($this->teammate('ilse'))->post('/tasks/calendar');
    $first = $this->teammate('ilse')->calendar_key;
    $this->post('/tasks/calendar');
    $second = $this->teammate('ilse')->calendar_key;
    $this->post('/sign-out');
    $this->get("/calendar/{$first}.ics")->assertNotFound();
    $this->get("/calendar/{$second}.ics")->assertOk();
    $this->teammate('ilse')->forceFill(['may_sign_in' => false])->save();
    $this->get("/calendar/{$second}.ics")->assertNotFound();
});

it('says that a file is not there where the store has lost it, and goes on', function (): void {
    $file = [
        'name' => 'kite.txt', 'media_type' => 'text/plain', 'size' => 4, 'sha256' => hash('sha256', 'kite'),
        'file' => app(FileStore::class)->keep('kite'),
    ];
    $attachment = (new Attachment)->forceFill([...$file, 'message_id' => Message::query()->value('id')]);
    $attachment->save();
    $this->actingAs($this->teammate('ilse'))->get("/attachments/{$attachment->id}")->assertOk();
    Storage::disk('files')->delete(Storage::disk('files')->allFiles());
    $this->get("/attachments/{$attachment->id}")->assertNotFound();
    $this->get('/messages/'.Message::query()->value('id').'/original')->assertNotFound();
    $this->get($this->at)->assertOk()->assertSee('kite.txt');
});

it('has the returns bench ask only partners whom somebody of the care team has asked before', function (): void {
    $ask = fn (string $who, string $address) => $this->actingAs($this->teammate($who))->post("{$this->at}/partner", [
        'name' => 'Flyt', 'address' => $address, 'text' => 'Do you have the spar?', 'once' => (string) Str::uuid(),
    ]);
    $ask('femi', 'anybody@elsewhere.example')->assertSessionHas('problem_code', 'strange_partner');
    $ask('femi', $this->conversation->messages()->value('from_address'))->assertSessionHas('problem_code', 'asked_customer');
    // Another who merely joined in is a customer as well.
    $first = $this->conversation->messages()->value('message_id');
    Mails::take(Mails::raw(['Cc' => 'other@hruby.example', 'In-Reply-To' => "<{$first}>", 'Subject' => 'Re: Where is my kite']));
    Mails::take(Mails::raw([
        'From' => 'Other <other@hruby.example>', 'In-Reply-To' => '<'.$this->conversation->messages()->value('message_id').'>',
        'Subject' => 'Re: Where is my kite',
    ]));
    $ask('ilse', 'other@hruby.example')->assertSessionHas('problem_code', 'asked_customer');
    expect(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse();
    $ask('ilse', 'bench@flyt.example')->assertSessionHas('done');
    $ask('femi', 'bench@flyt.example')->assertSessionHas('done');
    // That femi has asked them makes nobody known.
    expect(Message::query()->where('direction', Message::OUT)->count())->toBe(2);
});

it('does not tell of what somebody keeps to themselves that it is there', function (): void {
    $ilse = $this->teammate('ilse');
    $one = Tests\Fixtures\OneOfEach::make();
    DB::table('saved_views')->where('id', $one['view'])->update(['shared_with' => 'nobody', 'teammate_id' => $ilse->id]);
    DB::table('templates')->where('id', $one['template'])->update(['shared_with' => 'nobody', 'teammate_id' => $ilse->id]);
    foreach (['femi', 'mads', 'corin'] as $who) {
        $this->actingAs($this->teammate($who));
        $this->get("/views/{$one['view']}")->assertNotFound();
        $this->post("/templates/{$one['template']}/retire")->assertNotFound();
    }
    $this->actingAs($ilse)->get("/views/{$one['view']}")->assertOk();
});

it('has the returns bench share views and templates with its team at most', function (): void {
    $this->actingAs($this->teammate('femi'));
    $this->get('/views/new')->assertOk()->assertDontSee('<option value="everybody"', false);
    $view = ['name' => 'Mine for all', 'sort' => 'latest', 'board_by' => 'state', 'columns' => [], 'condition' => []];
    $this->post('/views', [...$view, 'shared_with' => 'everybody'])->assertOk()->assertSee('you, or a team of yours');
    $template = ['name' => 'Mine for all', 'folder' => '', 'texts' => [['language' => 'en', 'text' => 'Hello']]];
    $this->post('/templates', [...$template, 'shared_with' => 'everybody'])->assertSee('you, or a team of yours');
    expect(DB::table('saved_views')->where('name', 'Mine for all')->exists())->toBeFalse()
        ->and(Template::query()->where('name', 'Mine for all')->exists())->toBeFalse();
    $this->post('/templates', [...$template, 'shared_with' => 'nobody'])->assertSessionHasNoErrors();
    expect(Template::query()->where('name', 'Mine for all')->exists())->toBeTrue();
});

it('has nobody approve but leads and administrators, whoever is asked', function (): void {
    $this->actingAs($this->teammate('ilse'));
    $ask = fn (string $of) => $this->post("{$this->at}/approvals", ['question' => 'Give back 40 EUR', 'of' => $this->teammate($of)->id]);
    foreach (['femi', 'ruta'] as $wrong) {
        $ask($wrong)->assertSessionHas('problem_code', 'may_not_approve');
    }
    $ask('mads')->assertSessionHas('done');
    // One that was asked of somebody before their role was another.
    $approval = Approval::query()->sole();
    $approval->forceFill(['asked_of' => $this->teammate('femi')->id])->save();
    foreach (['femi' => 403, 'ruta' => 403, 'ilse' => 403, 'corin' => 302] as $who => $status) {
        $this->actingAs($this->teammate($who))->post("/approvals/{$approval->id}", ['do' => 'give'])->assertStatus($status);
    }
});
