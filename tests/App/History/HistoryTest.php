<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\SenderHandle;
use App\Companies\Company;
use App\Companies\PutIntoCompany;
use App\Companies\SaveCompany;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Customers\Customer;
use App\Customers\FindOrAddCustomer;
use App\History\ExportHistory;
use App\History\HistoryFormat;
use App\History\HistoryImport;
use App\History\HistoryUploads;
use App\History\RunImport;
use App\History\StartImport;
use App\History\StoreHistory;
use App\History\WrittenTime;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

function historyFile(string $name, string $content): string
{
    $path = HistoryUploads::folder().uniqid().$name;
    file_put_contents($path, $content);

    return $path;
}

function takeOver(string $path, ?HistoryFormat $format = null): HistoryImport
{
    $import = app(StartImport::class)->start($path, basename($path), $format, Account::query()->firstOrFail(), null);
    (new RunImport($import->id))->slice(app(StoreHistory::class), 0);

    return $import->refresh();
}

function mbox(string ...$mails): string
{
    return implode(
        '',
        array_map(
            static fn (string $mail): string => "From tomas Mon Mar 04 10:00:00 2024\n".str_replace("\r\n", "\n", $mail)."\n\n",
            $mails
        )
    );
}

it('takes an mbox over: closed, threaded, at its own time, and without a promise', function (): void {
    $import = takeOver(historyFile('old.mbox', mbox(
        Mails::raw(
            ['Date' => 'Mon, 04 Mar 2024 10:00:00 +0100', 'Message-ID' => '<one@x.example>', 'Subject' => 'Old kite'],
            "My kite.\n>From the sea it came"
        ),
        Mails::raw(
            [
                'Date' => 'Mon, 04 Mar 2024 12:00:00 +0100', 'From' => 'care@brindle.example', 'To' => 'tomas@hruby.example',
                'In-Reply-To' => '<one@x.example>', 'Subject' => 'Re: Old kite',
            ],
            'Here is another.'
        ),
        Mails::raw(['Date' => 'Tue, 09 Apr 2024 12:00:00 +0100', 'Subject' => 'Another matter'], 'A question.'),
    )));
    expect($import->state)->toBe('done')->and([$import->taken, $import->again, $import->refused])->toBe([3, 0, 0]);
    $conversation = Conversation::query()->where('subject', 'Old kite')->sole();
    expect($conversation->state->value)->toBe('closed')
        ->and($conversation->due_at)->toBeNull()
        ->and($conversation->messages()->orderBy('id')->pluck('direction')->all())->toBe(['in', 'out'])
        ->and($conversation->created_at->toDateString())->toBe('2024-03-04')
        ->and($conversation->messages()->first()->text)->toContain("\nFrom the sea it came")
        ->and($conversation->customer->name)->toBe('Tomas Hrubý')
        ->and($this->sender->delivered)->toBe([]);
    $this->actingAs($this->teammate('ilse'))
        ->get("/conversations/{$conversation->id}")
        ->assertSee('Here is another.')
        ->assertSee('Taken over from earlier history');

    // A new message from them begins a new conversation that links back.
    $new = Mails::conversation(['In-Reply-To' => '<one@x.example>', 'Subject' => 'Re: Old kite']);
    expect($new->id)->not->toBe($conversation->id)->and($new->linked_conversation_id)->toBe($conversation->id);
});

it('takes nothing twice, not even what came by itself', function (): void {
    $mail = Mails::raw(['Date' => 'Mon, 04 Mar 2024 10:00:00 +0100']);
    Mails::take($mail);
    $file = mbox($mail, Mails::raw(['Date' => 'Mon, 04 Mar 2024 11:00:00 +0100', 'Subject' => 'Two']));
    expect(takeOver(historyFile('a.mbox', $file))->again)->toBe(1)
        ->and(takeOver(historyFile('b.mbox', $file))->taken)->toBe(0)
        ->and(Message::query()->count())->toBe(2);
});

it('goes on where it stopped, and reports what it could not take', function (): void {
    $mails = array_map(
        static fn (int $number): string => Mails::raw([
            'Subject' => "Number {$number}", 'Date' => $number === 3 ? null : "Mon, 04 Mar 2024 10:0{$number}:00 +0100",
        ]),
        range(1, 6)
    );
    $path = historyFile('stop.mbox', mbox(...$mails));
    $import = app(StartImport::class)->start($path, 'stop.mbox', null, Account::query()->firstOrFail(), null);
    $job = new RunImport($import->id);
    // Stopped after the second item.
    $stopped = false;
    HistoryImport::saved(function (HistoryImport $saved) use (&$stopped): void {
        if ($saved->taken === 2 && ! $stopped) {
            $stopped = true;
            HistoryImport::query()->whereKey($saved->id)->update(['state' => HistoryImport::STOPPED]);
        }
    });
    $job->slice(app(StoreHistory::class), 0);
    expect($import->refresh()->taken)
        ->toBe(2)
        ->and($import->state)
        ->toBe('stopped')
        ->and($import->percent())
        ->toBeGreaterThan(10)
        ->toBeLessThan(60);

    $this->actingAs($this->teammate('corin'))->post("/history/{$import->id}/go-on")->assertSessionHas('done');
    $import->refresh();
    expect([$import->state, $import->taken, $import->refused])->toBe(['done', 5, 1])
        ->and(file_exists($path))->toBeFalse();
    $this->get("/history/{$import->id}")->assertSee('It has no date')->assertSee('5 messages taken');
    $this->get('/history')->assertSee('stop.mbox');
});

it('takes a folder of mail from a zip file', function (): void {
    $path = HistoryUploads::folder().uniqid().'.zip';
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::CREATE);
    $zip->addFromString('inbox/1.eml', Mails::raw(['Date' => 'Mon, 04 Mar 2024 10:00:00 +0100', 'Subject' => 'Zipped']));
    $zip->addFromString('inbox/2.eml', '');
    $zip->addFromString('notes.txt', 'not a mail');
    $zip->close();
    $import = takeOver($path, HistoryFormat::Eml);
    expect([$import->taken, $import->refused])->toBe([1, 1])->and($import->problems()->sole()->place)->toBe('inbox/2.eml');
});

it('takes CSV and JSON Lines, each conversation whole, and says what is wrong with a line', function (): void {
    $csv = takeOver(
        historyFile(
            'a.csv',
            "\u{FEFF}conversation;direction;at;text;name;address;subject\n7;in;2024-03-04 10:00;\"Two lines;\nof text\";Ana "
                ."Wrenfield;ana@wrenfield.example;Late\n7;out;2024-03-04T12:00:00Z;Sorry;;;\n8;sideways;2024-03-04;x;;;\n"
                ."9;in;tomorrow;x;Ana;;\n"
        )
    );
    expect([$csv->taken, $csv->refused])->toBe([2, 2]);
    $conversation = Conversation::query()->sole();
    expect($conversation->messages()->orderBy('id')->pluck('text')->all())->toBe(["Two lines;\nof text", 'Sorry'])
        ->and($conversation->customer->handles()->value('value'))->toBe('ana@wrenfield.example')
        ->and($csv->problems()->orderBy('id')->pluck('reason')->implode(' '))->toContain('sideways')->toContain('tomorrow');

    $lines = implode("\n", [
        json_encode([
            'id' => 'x1', 'subject' => 'By telephone', 'channel' => 'telephone',
            'customer' => ['name' => 'Lars Uddin', 'telephone' => '20 00 01 19'],
            'messages' => [['direction' => 'in', 'at' => '2024-05-01T10:00:00Z', 'text' => 'Card 4111 1111 1111 1111']],
        ]),
        json_encode([
            'id' => 'x2',
            'messages' => [
                ['direction' => 'in', 'at' => '2024-05-01T10:00:00Z', 'text' => 'fine'],
                ['direction' => 'in', 'at' => 'never', 'text' => 'not'],
            ],
        ]),
        'not json', '', json_encode(['id' => 'x3', 'messages' => []]),
    ]);
    $json = takeOver(historyFile('a.jsonl', $lines));
    expect([$json->taken, $json->refused])->toBe([1, 3])
        ->and(Message::query()->where('text', 'like', '%4111 1111%')->count())->toBe(0)
        ->and(Conversation::query()->where('subject', 'By telephone')->sole()->customer->handles()->value('value'))->toBe('+4520000119');
});

it('takes a conversation in which a message stands twice, with that one once', function (): void {
    $message = ['direction' => 'in', 'at' => '2024-05-01T10:00:00Z', 'text' => 'Hello?'];
    $import = takeOver(
        historyFile('twice.jsonl', json_encode(['id' => 'x', 'messages' => [$message, $message, [...$message, 'text' => 'Anybody?']]]))
    );
    expect([$import->state, $import->taken, $import->refused])->toBe(['done', 2, 0])
        ->and(Message::query()->orderBy('id')->pluck('text')->all())->toBe(['Hello?', 'Anybody?']);
});

it('puts people into the companies that they were of, each company once, and leaves who is of one already', function (): void {
    $line = static fn (string $id, string $address, ?string $company, string $role = ''): string => (string) json_encode([
        'id' => $id, 'customer' => array_filter(['name' => $address, 'address' => $address, 'company' => $company, 'role' => $role]),
        'messages' => [['direction' => 'in', 'at' => '2024-05-01T10:00:00Z', 'text' => "Of {$id}"]],
    ]);
    $barn = app(SaveCompany::class)->save(null, 'Kite Barn', [], [], null);
    $bo = app(FindOrAddCustomer::class)->byHandle(SenderHandle::email('bo@x.example', 'Bo'));
    app(PutIntoCompany::class)->put($bo, $barn, 'the shop', $this->teammate('corin'));
    $lines = implode("\n", [
        $line('x1', 'ann@x.example', ' kite  barn', 'buys'), $line('x2', 'bo@x.example', 'Pier Museum', 'guides'),
        $line('x3', 'cid@x.example', 'Pier Museum', 'guides'), $line('x4', 'dee@x.example', 'Pier Museum'),
        $line('x5', 'eve@x.example', null),
    ]);
    takeOver(historyFile('companies.jsonl', $lines));
    takeOver(historyFile('companies.jsonl', $lines));
    $of = static fn (string $address): array => Customer::query()
        ->whereHas('handles', static fn ($handles) => $handles->where('value', $address))->with('company')->get()
        ->map(static fn (Customer $customer): array => [$customer->company?->name, $customer->company_role])->sole();
    expect($of('ann@x.example'))->toBe(['Kite Barn', 'buys'])->and($of('bo@x.example'))->toBe(['Kite Barn', 'the shop'])
        ->and($of('cid@x.example'))->toBe(['Pier Museum', 'guides'])->and($of('dee@x.example'))->toBe(['Pier Museum', null])
        ->and($of('eve@x.example'))->toBe([null, null])
        ->and(Company::query()->orderBy('name')->pluck('name')->all())->toBe(['Kite Barn', 'Pier Museum']);
});

it('keeps apart what two files number alike', function (): void {
    $file = fn (string $name, string $text): string => historyFile(
        "{$name}.csv",
        "conversation,direction,at,text,name,address,id\n1,in,2024-03-04T10:00:00Z,{$text},Somebody,{$name}@x.example,1\n"
    );
    takeOver($file('shop', 'From the shop'));
    takeOver($file('market', 'From the market'));
    expect(Conversation::query()->count())->toBe(2)->and(Message::query()->count())->toBe(2);
});

it('refuses a file that is none, and says so', function (string $name, string $content, string $says): void {
    $this->actingAs($this->teammate('corin'));
    $sent = $this->post(
        '/history', ['file' => UploadedFile::fake()->createWithContent($name, $content), 'account' => Account::query()->value('id')]
    );
    $import = HistoryImport::query()->first();
    $said = $import === null ? (string) session('problem') : (string) $import->problem;
    expect($said)->toContain($says);
    $sent->assertRedirect();
})->with([
    'an unknown kind' => ['history.pdf', 'x', 'what it is'],
    'a zip that is none' => ['history.zip', 'x', 'no zip file'],
    'an mbox that is none' => ['history.mbox', "Hello\n", 'no mbox'],
    'CSV without its columns' => ['history.csv', "a,b\n1,2\n", 'must name the columns'],
]);

it('is for administrators alone', function (): void {
    $this->actingAs($this->teammate('mads'))->get('/history')->assertForbidden();
    $this->get('/history/export?format=jsonl')->assertForbidden();
});

it('gives out what it can take in again, and recognises it', function (HistoryFormat $format): void {
    CarbonImmutable::setTestNow('2026-11-20 10:00:00');
    $conversation = Mails::conversation(
        ['Message-ID' => '<one@x.example>', 'Date' => 'Fri, 20 Nov 2026 10:00:00 +0000', 'Subject' => 'Kite, "red"'],
        "From here to\nFrom there"
    );
    $this->answer($conversation, "It is on its way,\n\nIlse");
    CarbonImmutable::setTestNow('2026-11-20 11:00:00');
    $this->actingAs($this->teammate('corin'));
    $file = HistoryUploads::folder().uniqid().'.'.($format === HistoryFormat::Eml ? 'zip' : $format->value);
    $response = $this->get("/history/export?format={$format->value}")->assertOk();
    file_put_contents(
        $file,
        $format === HistoryFormat::Eml ? (string) file_get_contents(
            $response->baseResponse->getFile()->getPathname()
        ) : $response->streamedContent()
    );

    $again = takeOver($file);
    expect($again->state)->toBe('done')->and($again->refused)->toBe(0)->and($again->again)->toBeGreaterThanOrEqual(1);

    DB::statement('SET FOREIGN_KEY_CHECKS=0');
    foreach (['outbox', 'journal', 'attachments', 'messages', 'history_parts', 'conversations'] as $table) {
        DB::table($table)->delete();
    }
    DB::statement('SET FOREIGN_KEY_CHECKS=1');
    file_put_contents($file, $format === HistoryFormat::Eml ? '' : $response->streamedContent());
    if ($format !== HistoryFormat::Eml) {
        expect(takeOver($file)->taken)->toBe(2)
            ->and(Conversation::query()->sole()->messages()->orderBy('received_at')->orderBy('id')->pluck('text')->map(trim(...))->all())
            ->toBe(["From here to\nFrom there", "It is on its way,\n\nIlse"]);
    }
})->with([HistoryFormat::JsonLines, HistoryFormat::Csv, HistoryFormat::Mbox, HistoryFormat::Eml]);

it('is run from the command line, too', function (): void {
    $path = historyFile('cli.mbox', mbox(Mails::raw(['Date' => 'Mon, 04 Mar 2024 10:00:00 +0100'])));
    $this->artisan('history:import', ['path' => $path, '--account' => 'care@brindle.example'])
        ->expectsOutputToContain('1 messages taken')
        ->assertSuccessful();
    $this->artisan('history:import', ['path' => '/nowhere', '--account' => 'care@brindle.example'])->assertExitCode(2);
});

it('exports a table in which no text is computed', function (): void {
    $conversation = Mails::conversation(['From' => '"=cmd|x" <tomas@hruby.example>', 'Subject' => '@SUM(1)'], "=1+1\r\n");
    $csv = implode('', iterator_to_array(app(ExportHistory::class)->pieces(HistoryFormat::Csv, null), false));
    expect($csv)->toContain($conversation->number())->toContain('"\'@SUM(1)"')->toContain('"\'=1+1')->not->toMatch('/"[=@]/');
});

it('reads times as files have them', function (string $written, ?string $at): void {
    expect(WrittenTime::read($written)?->toIso8601ZuluString())->toBe($at);
})->with([
    ['2024-03-29T07:30:00Z', '2024-03-29T07:30:00Z'], ['2024-03-29T07:30:00.123+02:00', '2024-03-29T05:30:00Z'],
    ['2024-03-29 07:30', '2024-03-29T07:30:00Z'], ['2024-03-29', '2024-03-29T00:00:00Z'], ['29.03.2024 07:30', '2024-03-29T07:30:00Z'],
    ['29.3.2024, 7:05:09', '2024-03-29T07:05:09Z'], ['29/03/2024', '2024-03-29T00:00:00Z'], ['03/29/2024 07:30', '2024-03-29T07:30:00Z'],
    ['04/05/2024', null], ['05/05/2024', '2024-05-05T00:00:00Z'], ['04.05.2024', '2024-05-04T00:00:00Z'],
    ['Fri, 29 Mar 2024 07:30:00 +0100', '2024-03-29T06:30:00Z'], ['1711697400', '2024-03-29T07:30:00Z'],
    ['1711697400123', '2024-03-29T07:30:00Z'], ['2024-02-30', null], ['30.02.2024', null], ['29.03.2024 25:00', null], ['tomorrow', null],
    ['', null], ['now', null],
]);

it('names the line and the column of what it refuses', function (): void {
    $csv = takeOver(historyFile('b.csv', implode("\n", [
        'conversation,direction,at,text,address,channel', '1,in,2024-03-04,"Two', 'lines",ana@wren.example,email',
        '2,in,2024-03-04,x,ana@@wren.example,email', '3,in,04/05/2024,x,bea@wren.example,email',
        '4,in,2024-03-04,x,bea@wren.example,pigeon',
        '5,in,2024-03-04,x', '6,sideways,2024-03-04,x,bea@wren.example,',
    ])));
    expect($csv->taken)->toBe(1)->and($csv->problems()->orderBy('id')->pluck('place')->all())->toBe([
        'line 4, column 5', 'line 5, column 3', 'line 6, column 6', 'line 7', 'line 8, column 2',
    ]);
    $message = ['direction' => 'in', 'at' => '2024-05-01', 'text' => 'Hello'];
    $json = takeOver(historyFile('b.jsonl', implode("\n", array_map(json_encode(...), [
        ['id' => 'x1', 'messages' => [$message]], ['id' => 'x1', 'messages' => [[...$message, 'text' => 'Other']]],
        ['id' => 'x2', 'channel' => 'pigeon', 'messages' => [$message]],
        ['id' => 'x3', 'customer' => ['telephone' => 'none'], 'messages' => [$message]],
        ['id' => 'x4', 'customer' => ['email' => 'a b@wren.example'], 'messages' => [$message]],
    ]))));
    expect([$json->taken, $json->refused])->toBe([1, 4])
        ->and($json->problems()->orderBy('id')->pluck('reason', 'place')->map(fn (string $why): string => Str::limit($why, 30, ''))->all())
        ->toBe([
            'line 2' => 'Its “id” is “x1”, which anothe', 'line 3' => 'Its “channel” is “pigeon”. The',
            'line 4' => 'Its “telephone” is “none”, whi', 'line 5' => 'Its “email” is “a b@wren.examp',
        ]);
    // Taken again, the file has what it had.
    $again = takeOver(historyFile('b.jsonl', (string) json_encode(['id' => 'x1', 'messages' => [$message]])));
    expect([$again->taken, $again->again, $again->refused])->toBe([0, 1, 0]);
});

it('takes nothing of its own export into the same store, and makes nobody of an id', function (HistoryFormat $format): void {
    Http::fake(['*' => Http::response([], 404)]);
    CarbonImmutable::setTestNow('2026-11-20 10:00:00');
    $mail = Mails::conversation(['Message-ID' => '<one@x.example>', 'Date' => 'Fri, 20 Nov 2026 09:00:00 +0000', 'Subject' => 'Kite']);
    $this->answer($mail, 'It is on its way.');
    Services::take(Channel::Marrowby, Services::orderMessage('Where is my parcel?'));
    $market = Conversation::query()->where('channel', Channel::Marrowby)->sole();
    $this->answer($market, 'It is sent today.');
    $counts = fn (): array => [Message::query()->count(), Customer::query()->count(), Conversation::query()->count()];
    $before = $counts();
    expect($before[0])->toBeGreaterThanOrEqual(4);
    CarbonImmutable::setTestNow('2026-11-20 11:00:00');
    $this->actingAs($this->teammate('corin'));
    $file = HistoryUploads::folder().uniqid().'.'.($format === HistoryFormat::Eml ? 'zip' : $format->value);
    $response = $this->get("/history/export?format={$format->value}")->assertOk();
    file_put_contents($file, $format === HistoryFormat::Eml
        ? (string) file_get_contents($response->baseResponse->getFile()->getPathname())
        : $response->streamedContent());
    $import = takeOver($file);
    expect([$import->taken, $import->refused])->toBe([0, 0])->and($counts())->toBe($before);
})->with([HistoryFormat::JsonLines, HistoryFormat::Csv, HistoryFormat::Mbox, HistoryFormat::Eml]);

it('knows what we sent where it lies in a mailbox that is taken over', function (): void {
    CarbonImmutable::setTestNow('2026-11-20 10:00:00');
    $answer = $this->answer(Mails::conversation(), 'It is on its way.');
    CarbonImmutable::setTestNow('2026-11-21 10:00:00');
    $copy = Mails::raw([
        'From' => 'care@brindle.example', 'To' => 'tomas@hruby.example', 'Message-ID' => "<{$answer->message_id}>",
        'Date' => 'Fri, 20 Nov 2026 10:00:00 +0000', 'Subject' => 'Re: Where is my kite',
    ], "It is on its way.\r\n");
    $import = takeOver(historyFile('sent.mbox', mbox($copy)));
    expect([$import->taken, $import->again])->toBe([0, 1])->and(Message::query()->where('direction', Message::OUT)->count())->toBe(1);
});
