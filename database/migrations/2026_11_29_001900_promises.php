<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Promises: sets of them in an order, each with its versions; each promise with its instants, so that lists are sorted by an index
 * and nothing is reckoned on reading. The one target that there was becomes the first set.
 */
return new class extends Migration
{
    private const HOURS_SO_FAR = 4;

    public function up(): void
    {
        Schema::create('promise_sets', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->unsignedInteger('place');
            $table->boolean('on')->default(true);
            $table->json('condition');
            $table->json('targets');
            $table->unsignedInteger('version')->default(0);
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
            $table->index(['retired_at', 'place']);
        });
        // As it was from one change to the next, with the hours that it was counted in.
        Schema::create('promise_set_versions', static function (Blueprint $table): void {
            $table->foreignId('promise_set_id')->constrained();
            $table->unsignedInteger('version');
            $table->dateTime('since');
            $table->foreignId('teammate_id')->nullable()->constrained();
            $table->json('content');
            $table->string('what', 300)->default('');
            $table->primary(['promise_set_id', 'version']);
        });
        Schema::create('promises', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained();
            $table->foreignId('promise_set_id')->nullable()->constrained();
            $table->unsignedInteger('version')->nullable();
            $table->string('kind', 16);
            $table->dateTime('started_at');
            // Several of one kind can start at one instant.
            $table->unsignedInteger('number')->default(0);
            $table->dateTime('ended_at')->nullable();
            $table->string('state', 10);
            $table->string('priority', 10);
            $table->unsignedInteger('target');
            // Up to its end, or up to the present run of its clock.
            $table->unsignedInteger('spent');
            $table->boolean('kept')->nullable();
            $table->dateTime('due_at')->nullable();
            $table->dateTime('warn_at')->nullable();
            $table->dateTime('warned_at')->nullable();
            $table->dateTime('missed_at')->nullable();
            // When there is something to tell next; nothing once it was told.
            $table->dateTime('warn_next')->nullable();
            $table->dateTime('miss_next')->nullable();
            // With whom it lay at its end.
            $table->foreignId('owner_id')->nullable()->constrained('teammates');
            $table->foreignId('team_id')->nullable()->constrained();
            $table->unique(['conversation_id', 'kind', 'started_at', 'number']);
            $table->index('warn_next');
            $table->index('miss_next');
            $table->index(['promise_set_id', 'ended_at']);
            $table->index(['promise_set_id', 'state']);
        });
        Schema::create('agreed_times', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained();
            $table->foreignId('teammate_id')->constrained();
            $table->dateTime('at');
            $table->string('reason', 300);
            $table->dateTime('agreed_at');
            $table->dateTime('ended_at')->nullable();
            $table->string('ended_by', 20)->nullable();
            $table->dateTime('warn_next')->nullable();
            $table->dateTime('miss_next')->nullable();
            $table->index(['conversation_id', 'ended_at']);
            $table->index('warn_next');
            $table->index('miss_next');
        });
        Schema::create('promise_recounts', static function (Blueprint $table): void {
            $table->id();
            $table->string('why', 200);
            $table->foreignId('promise_set_id')->nullable()->constrained();
            $table->unsignedInteger('total');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedBigInteger('up_to')->default(0);
            $table->dateTime('finished_at')->nullable();
            $table->timestamps();
            $table->index('finished_at');
        });
        Schema::table('conversations', static function (Blueprint $table): void {
            $table->foreignId('promise_set_id')->nullable()->constrained();
            $table->string('due_kind', 16)->nullable();
            $table->json('stones_fall_at')->nullable();
            $table->dropColumn('answer_by');
        });
        $this->first();
    }

    public function down(): void
    {
        Schema::table('conversations', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('promise_set_id');
            $table->dropColumn(['due_kind', 'stones_fall_at']);
            $table->dateTime('answer_by')->nullable();
        });
        foreach (['promise_recounts', 'agreed_times', 'promises', 'promise_set_versions', 'promise_sets'] as $table) {
            Schema::dropIfExists($table);
        }
    }

    private function first(): void
    {
        $calendar = DB::table('calendars')->where('is_main', true)->first();
        $seconds = array_fill_keys(['urgent', 'high', 'normal', 'low'], self::HOURS_SO_FAR * 3600);
        $targets = array_map(static fn (string $kind): array => [
            'kind' => $kind, 'seconds' => $seconds, 'calendar' => $calendar?->id, 'warn_before' => 1800, 'runs_in' => [],
        ], ['first_reply', 'next_reply']);
        $id = DB::table('promise_sets')->insertGetId([
            'name' => 'Everybody', 'place' => 1, 'condition' => json_encode(['all' => []]), 'targets' => json_encode($targets),
            'version' => 1, 'created_at' => now(), 'updated_at' => now(),
        ]);
        $days = DB::table('calendar_days')->where('calendar_id', $calendar?->id)->orderBy('date')->get();
        DB::table('promise_set_versions')->insert([
            'promise_set_id' => $id, 'version' => 1, 'since' => '2000-01-01 00:00:00', 'what' => 'made',
            'content' => json_encode([
                'name' => 'Everybody', 'on' => true, 'condition' => ['all' => []], 'targets' => $targets,
                'calendars' => $calendar === null ? new stdClass : [$calendar->id => [
                    'timezone' => $calendar->time_zone, 'week' => json_decode($calendar->week),
                    'exceptions' => $days->map(static fn (stdClass $day): array => [
                        'date' => $day->date, 'open' => json_decode($day->open),
                    ])->all(),
                ]],
            ]),
        ]);
        // What is running now is taken over by the first recount.
        $running = DB::table('conversations')->whereIn('state', ['open', 'waiting', 'held'])->count();
        if ($running > 0) {
            DB::table('promise_recounts')->insert([
                'why' => 'promises are kept from now on', 'total' => $running, 'created_at' => now(), 'updated_at' => now(),
            ]);
        }
    }
};
