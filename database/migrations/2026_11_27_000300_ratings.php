<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What customers say of our answers, to our own question.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('ratings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->unique()->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('customer_id')->constrained('customers')->cascadeOnDelete();
            // Who had answered last.
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->unsignedTinyInteger('score');
            $table->text('comment');
            $table->dateTime('rated_at');
            $table->index(['customer_id', 'rated_at']);
            $table->index('rated_at');
        });
        Schema::table('conversations', function (Blueprint $table): void {
            $table->dateTime('rating_asked_at')->nullable();
        });
    }
};
