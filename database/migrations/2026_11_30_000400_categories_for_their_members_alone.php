<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('categories', static function (Blueprint $table): void {
            // Null: as for the category above.
            $table->boolean('members_only')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('categories', static fn (Blueprint $table) => $table->dropColumn('members_only'));
    }
};
