<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Until when a payout can be taken back: not told by when the provider is asked next, as who is at it moves that, and may have paid.
 * And what had been kept for an exchange that was given up: the shop has heard of the rest of its refund before.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('payouts', static function (Blueprint $table): void {
            $table->dateTime('leaves_at')->nullable();
            $table->boolean('was_kept')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('payouts', static function (Blueprint $table): void {
            $table->dropColumn(['leaves_at', 'was_kept']);
        });
    }
};
