<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What a promise set does at the warning and at the miss is a rule of its own, kept with the set.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('rules', static function (Blueprint $table): void {
            $table->foreignId('promise_set_id')->nullable()->constrained('promise_sets')->restrictOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('rules', static fn (Blueprint $table) => $table->dropConstrainedForeignId('promise_set_id'));
    }
};
