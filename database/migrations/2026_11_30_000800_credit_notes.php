<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What was given back, on paper: numbered without gaps, and never changed.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('credit_note_numbers', function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->unsignedInteger('last');
        });
        DB::table('credit_note_numbers')->insert(['id' => 1, 'last' => 0]);
        Schema::create('credit_notes', function (Blueprint $table): void {
            $table->id();
            $table->unsignedInteger('number')->unique();
            $table->foreignId('refund_id')->constrained('refunds');
            // What it takes back; such a one is followed by what is right.
            $table->foreignId('corrects_id')->nullable()->constrained('credit_notes');
            $table->boolean('takes_back')->default(false);
            $table->string('once', 60)->unique();
            $table->string('language', 10);
            $table->json('content');
            $table->uuid('link_key')->unique();
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('issued_at');
            $table->string('file', 120)->nullable();
            $table->char('sha256', 64)->nullable();
            $table->dateTime('draw_next_at')->nullable()->index();
            $table->unsignedInteger('draw_attempts')->default(0);
        });
        Schema::table('refunds', function (Blueprint $table): void {
            $table->dateTime('note_next_at')->nullable()->index();
            // How the customer is told: with which template, and when.
            $table->foreignId('tell_template_id')->nullable()->constrained('templates')->nullOnDelete();
            $table->string('tell_when', 8)->nullable();
            $table->dateTime('tell_next_at')->nullable()->index();
            $table->string('tell_why', 300)->nullable();
            $table->dateTime('told_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('refunds', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('tell_template_id');
            $table->dropColumn(['note_next_at', 'tell_when', 'tell_next_at', 'tell_why', 'told_at']);
        });
        Schema::dropIfExists('credit_notes');
        Schema::dropIfExists('credit_note_numbers');
    }
};
