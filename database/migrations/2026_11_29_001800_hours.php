<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Hours on a screen: calendars, each with its time zone, its week, and the days that are other than the week. What was said of
 * the store, or stood in the configuration, becomes the first one.
 */
return new class extends Migration
{
    private const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri'];

    /** As the configuration had them. */
    private const CLOSED = [
        '2026-12-24', '2026-12-25', '2026-12-26', '2027-01-01', '2027-03-25', '2027-03-26', '2027-03-29', '2027-05-06', '2027-05-17',
        '2027-12-24', '2027-12-25', '2027-12-26',
    ];

    public function up(): void
    {
        Schema::create('calendars', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->string('time_zone', 64);
            $table->json('week');
            $table->boolean('is_main')->default(false);
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
        Schema::create('calendar_days', static function (Blueprint $table): void {
            $table->foreignId('calendar_id')->constrained()->cascadeOnDelete();
            $table->date('date');
            $table->json('open');
            $table->string('name', 120)->default('');
            $table->string('source', 120)->default('');
            $table->primary(['calendar_id', 'date']);
        });
        $said = json_decode((string) DB::table('store_settings')->where('name', 'store')->value('value'), true);
        $isRunning = DB::table('teammates')->exists();
        $usual = array_fill_keys(self::WEEKDAYS, [['09:00', '17:00']]);
        $week = $said['week'] ?? ($isRunning ? [...$usual, 'sat' => [['10:00', '14:00']]] : $usual);
        $id = DB::table('calendars')->insertGetId([
            'name' => 'Store', 'time_zone' => $said['time_zone'] ?? 'Europe/Copenhagen', 'week' => json_encode($week), 'is_main' => true,
            'created_at' => now(), 'updated_at' => now(),
        ]);
        $closed = array_map(static fn (string $date): array => ['date' => $date, 'open' => []], self::CLOSED);
        $days = match (true) {
            isset($said['week']) => $said['exceptions'] ?? [],
            $isRunning => [...$closed, ['date' => '2026-12-31', 'open' => [['09:00', '12:00']]]],
            default => [],
        };
        foreach ($days as $day) {
            DB::table('calendar_days')->insert(['calendar_id' => $id, 'date' => $day['date'], 'open' => json_encode($day['open'])]);
        }
        if (is_array($said)) {
            unset($said['week'], $said['exceptions']);
            DB::table('store_settings')->where('name', 'store')->update(['value' => json_encode($said, JSON_UNESCAPED_UNICODE)]);
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('calendar_days');
        Schema::dropIfExists('calendars');
    }
};
