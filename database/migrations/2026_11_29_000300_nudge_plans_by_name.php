<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A nudge plan is known by its name, as everything else is that one arranges.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::table('nudge_plans')->orderBy('id')->get(['id', 'name'])->groupBy('name') as $sameName) {
            foreach ($sameName->skip(1) as $plan) {
                DB::table('nudge_plans')->where('id', $plan->id)->update(
                    ['name' => mb_substr((string) $plan->name, 0, 100)." ({$plan->id})"]
                );
            }
        }
        Schema::table('nudge_plans', static function (Blueprint $table): void {
            $table->unique('name');
        });
    }

    public function down(): void
    {
        Schema::table('nudge_plans', static function (Blueprint $table): void {
            $table->dropUnique(['name']);
        });
    }
};
