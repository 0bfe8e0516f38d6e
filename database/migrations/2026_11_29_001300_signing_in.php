<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('teammates', static function (Blueprint $table): void {
            // Null for somebody who was invited and has not chosen one yet.
            $table->dateTime('password_chosen_at')->nullable()->after('password');
        });
        DB::table('teammates')->update(['password_chosen_at' => DB::raw('COALESCE(created_at, UTC_TIMESTAMP())')]);
        Schema::create('sign_ins', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->string('network', 45);
            $table->string('device', 300);
            $table->dateTime('began_at');
            $table->dateTime('seen_at');
            $table->dateTime('ended_at')->nullable();
            $table->index(['teammate_id', 'ended_at']);
            $table->index('seen_at');
        });
        Schema::create('passes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->foreignId('made_by_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('purpose', 20);
            $table->char('key_hash', 64)->unique();
            $table->dateTime('made_at');
            $table->dateTime('expires_at');
            $table->dateTime('used_at')->nullable();
            $table->index(['teammate_id', 'purpose', 'used_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('passes');
        Schema::dropIfExists('sign_ins');
        Schema::table('teammates', static fn (Blueprint $table) => $table->dropColumn('password_chosen_at'));
    }
};
