<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('accounts', static function (Blueprint $table): void {
            // The message whose reading was begun and is not ended, and how often it was begun.
            $table->unsignedBigInteger('reading_uid')->nullable()->after('last_uid');
            $table->unsignedTinyInteger('reading_attempts')->default(0)->after('reading_uid');
        });
    }

    public function down(): void
    {
        Schema::table('accounts', static fn (Blueprint $table) => $table->dropColumn(['reading_uid', 'reading_attempts']));
    }
};
