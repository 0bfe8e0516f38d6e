<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Until when a payout can be taken back. Not told by when the provider is asked next: who is at it moves that, and may have paid.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('payouts', static function (Blueprint $table): void {
            $table->dateTime('leaves_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('payouts', static function (Blueprint $table): void {
            $table->dropColumn('leaves_at');
        });
    }
};
