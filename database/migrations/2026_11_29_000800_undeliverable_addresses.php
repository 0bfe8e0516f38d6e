<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('handles', static function (Blueprint $table): void {
            $table->dateTime('undeliverable_since')->nullable();
            $table->string('undeliverable_why', 300)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('handles', static fn (Blueprint $table) => $table->dropColumn(['undeliverable_since', 'undeliverable_why']));
    }
};
