<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', static function (Blueprint $table): void {
            // What a mail server that is believed says of whether it comes from whom it says; null where it says nothing.
            $table->string('sender_check', 10)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('messages', static function (Blueprint $table): void {
            $table->dropColumn('sender_check');
        });
    }
};
