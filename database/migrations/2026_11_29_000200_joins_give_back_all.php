<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * The orders that came to a conversation by a join, and what had been joined into the one that was joined: separating
 * takes both along again.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('conversation_joins', static function (Blueprint $table): void {
            $table->json('came_along')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('conversation_joins', static function (Blueprint $table): void {
            $table->dropColumn('came_along');
        });
    }
};
