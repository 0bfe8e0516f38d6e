<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('outbox', static function (Blueprint $table): void {
            // The process that delivers it just now.
            $table->string('held_by', 150)->nullable()->after('lease_until');
        });
    }

    public function down(): void
    {
        Schema::table('outbox', static fn (Blueprint $table) => $table->dropColumn('held_by'));
    }
};
