<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What a new matter of a category begins with; left out, it is as for the category above.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('categories', static function (Blueprint $table): void {
            $table->foreignId('brings_team_id')->nullable()->constrained('teams')->nullOnDelete();
            $table->string('brings_priority', 10)->nullable();
            $table->foreignId('brings_checklist_id')->nullable()->constrained('checklists')->nullOnDelete();
            $table->boolean('gives_out')->nullable();
            $table->string('receipt', 1000)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('categories', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('brings_team_id');
            $table->dropConstrainedForeignId('brings_checklist_id');
            $table->dropColumn(['brings_priority', 'gives_out', 'receipt']);
        });
    }
};
