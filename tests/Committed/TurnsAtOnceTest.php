<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\Conversation;
use App\Conversations\TakeConversation;
use App\Promises\TellPromises;
use App\Team\TakeTurns;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

/*
 * Turns, the next one and promises, with many at the same moment.
 */

it('gives turns in exact shares, and each conversation once, with ten workers at the same time', function (): void {
    $care = Team::query()->where('name', 'Care')->sole();
    $care->forceFill(['turns' => Method::Weighted])->save();
    DB::table('team_teammate')->where('team_id', $care->id)->delete();
    $shares = ['ilse' => 3, 'ruta' => 2, 'mads' => 1];
    foreach ($shares as $name => $weight) {
        $this->teammate($name)->forceFill(['speaks' => null])->save();
        $care->teammates()->attach($this->teammate($name)->id, ['weight' => $weight]);
    }
    $ids = [];
    for ($number = 0; $number < 60; $number++) {
        $ids[] = Mails::conversation(['From' => "turn{$number}@x.example", 'Subject' => "Turn {$number}"])->id;
    }
    // Each worker goes through all of them: whoever comes second finds it given.
    $this->atOnce(10, static function (int $worker) use ($ids): void {
        foreach (array_merge(array_slice($ids, $worker * 6), array_slice($ids, 0, $worker * 6)) as $id) {
            DB::transaction(static function () use ($id): void {
                $conversation = Conversation::query()->lockForUpdate()->findOrFail($id);
                $conversation->owner_id !== null
                    || app(AssignConversation::class)->byTurn($conversation, app(TakeTurns::class), Actor::application());
            }, 5);
        }
    });
    $given = DB::table('conversations')->whereIn('conversations.id', $ids)->join('teammates', 'teammates.id', '=', 'owner_id')
        ->groupBy('teammates.email')->selectRaw('teammates.email, COUNT(*) AS count')->pluck('count', 'email')->all();
    expect($given)->toEqualCanonicalizing([
        'ilse@brindle.example' => 30, 'ruta@brindle.example' => 20, 'mads@brindle.example' => 10,
    ])->and(DB::table('journal')->where('kind', 'owner_changed')->whereIn('conversation_id', $ids)->count())->toBe(60);
});

it('gives twenty people who ask for the next one at the same time twenty different ones', function (): void {
    for ($number = 0; $number < 20; $number++) {
        Mails::conversation(['From' => "next{$number}@x.example", 'Subject' => "Next {$number}"]);
    }
    $ilse = $this->teammate('ilse');
    foreach (range(1, 19) as $number) {
        Teammate::query()->create([
            'name' => "Person {$number}", 'email' => "person{$number}@brindle.example", 'password' => 'x', 'role' => $ilse->role,
            'time_zone' => 'UTC',
        ]);
    }
    $people = Teammate::query()->where('role', $ilse->role)->where('name', 'like', 'Person%')->orWhere('id', $ilse->id)->pluck('id')->all();
    $this->atOnce(20, static fn (int $number): ?Conversation => app(TakeConversation::class)->takeNext(
        Teammate::query()->findOrFail($people[$number])
    ));
    $taken = DB::table('conversations')->whereIn('owner_id', $people)->pluck('owner_id');
    expect($taken->count())->toBe(20)->and($taken->unique()->count())->toBe(20);
});

it('tells of a missed promise once, with five looking at the same time', function (): void {
    for ($number = 0; $number < 12; $number++) {
        Mails::conversation(['From' => "late{$number}@x.example", 'Subject' => "Late {$number}"]);
    }
    DB::table('promises')->update(['miss_next' => now()->subMinute(), 'warn_next' => null]);
    $this->atOnce(5, static fn (): int => app(TellPromises::class)->tell());
    expect(DB::table('journal')->where('kind', 'promise_missed')->count())->toBe(DB::table('promises')->count())
        ->and(DB::table('promises')->whereNull('missed_at')->count())->toBe(0);
});
