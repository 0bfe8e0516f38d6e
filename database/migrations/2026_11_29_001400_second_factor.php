<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('teammates', static function (Blueprint $table): void {
            $table->text('second_factor_secret')->nullable()->after('password_chosen_at');
            $table->dateTime('second_factor_since')->nullable()->after('second_factor_secret');
            // The last step whose code was used: no code works twice.
            $table->unsignedBigInteger('second_factor_step')->nullable()->after('second_factor_since');
            // Hashes of those that are left.
            $table->json('recovery_codes')->nullable()->after('second_factor_step');
        });
    }

    public function down(): void
    {
        Schema::table('teammates', static fn (Blueprint $table) => $table->dropColumn([
            'second_factor_secret', 'second_factor_since', 'second_factor_step', 'recovery_codes',
        ]));
    }
};
