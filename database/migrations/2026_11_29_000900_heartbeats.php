<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('heartbeats', static function (Blueprint $table): void {
            $table->string('part', 40)->charset('ascii')->primary();
            $table->dateTime('beat_at');
            // Until when it may say nothing more, such as while it does something long.
            $table->dateTime('silent_until');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('heartbeats');
    }
};
