<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What customers are told of the steps of their returns; and differences to the provider's book that a person has settled.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('return_notices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('return_id')->constrained('returns')->cascadeOnDelete();
            $table->string('step', 12);
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('at');
            $table->dateTime('next_at')->nullable()->index();
            $table->dateTime('told_at')->nullable();
            $table->string('why', 300)->nullable();
        });
        Schema::create('settled_differences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('payout_id')->constrained('payouts')->cascadeOnDelete();
            $table->string('what', 200);
            $table->string('note', 300);
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('at');
            $table->unique(['payout_id', 'what']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('settled_differences');
        Schema::dropIfExists('return_notices');
    }
};
