<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Who can do what, who is here, and what becomes of a turn that nobody can take just now.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('skills', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60);
            $table->string('folded', 60)->unique();
        });
        Schema::create('skill_teammate', static function (Blueprint $table): void {
            $table->foreignId('skill_id')->constrained()->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained()->cascadeOnDelete();
            $table->primary(['teammate_id', 'skill_id']);
        });
        Schema::create('category_skill', static function (Blueprint $table): void {
            $table->foreignId('category_id')->constrained()->cascadeOnDelete();
            $table->foreignId('skill_id')->constrained()->cascadeOnDelete();
            $table->primary(['category_id', 'skill_id']);
        });
        Schema::table('teammates', static function (Blueprint $table): void {
            $table->string('availability', 8)->default('here');
            $table->string('away_word', 40)->nullable();
            // The hours in which they work; none: whenever they say that they are here.
            $table->foreignId('calendar_id')->nullable()->constrained()->nullOnDelete();
        });
        Schema::table('teams', static function (Blueprint $table): void {
            $table->boolean('earlier_owner_first')->default(false);
            $table->boolean('next_only')->default(false);
            $table->unsignedInteger('fallback_minutes')->nullable();
            $table->foreignId('fallback_team_id')->nullable()->constrained('teams')->nullOnDelete();
        });
        Schema::table('conversations', static function (Blueprint $table): void {
            $table->dateTime('turn_awaited_since')->nullable();
            $table->dateTime('reached_up_at')->nullable();
            $table->index('turn_awaited_since');
        });
    }

    public function down(): void
    {
        Schema::table('conversations', static function (Blueprint $table): void {
            $table->dropIndex(['turn_awaited_since']);
            $table->dropColumn(['turn_awaited_since', 'reached_up_at']);
        });
        Schema::table('teams', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('fallback_team_id');
            $table->dropColumn(['earlier_owner_first', 'next_only', 'fallback_minutes']);
        });
        Schema::table('teammates', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('calendar_id');
            $table->dropColumn(['availability', 'away_word']);
        });
        Schema::dropIfExists('category_skill');
        Schema::dropIfExists('skill_teammate');
        Schema::dropIfExists('skills');
    }
};
