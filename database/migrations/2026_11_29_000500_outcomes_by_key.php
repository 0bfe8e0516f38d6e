<?php

declare(strict_types=1);

use App\Sorting\KnownOutcome;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/*
 * Outcomes that the program itself resolves with are known by a key, whatever the store calls them.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('outcomes', static function (Blueprint $table): void {
            $table->string('key', 30)->nullable()->unique();
        });
        foreach (KnownOutcome::cases() as $known) {
            DB::table('outcomes')->where('name', $known->usualName())->limit(1)->update(['key' => $known->value]);
        }
    }

    public function down(): void
    {
        Schema::table('outcomes', static function (Blueprint $table): void {
            $table->dropColumn('key');
        });
    }
};
