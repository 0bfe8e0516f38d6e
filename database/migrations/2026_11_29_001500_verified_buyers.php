<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('conversation_order', static function (Blueprint $table): void {
            // When a person said that who writes may know of somebody else's order.
            $table->dateTime('verified_at')->nullable();
            $table->foreignId('verified_by_id')->nullable()->constrained('teammates')->nullOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('conversation_order', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('verified_by_id');
            $table->dropColumn('verified_at');
        });
    }
};
