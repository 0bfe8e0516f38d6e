<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // How both were before they were joined, so that separating them is exact.
        Schema::create('conversation_joins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kept_id')->constrained('conversations');
            $table->foreignId('joined_id')->constrained('conversations');
            $table->json('kept_before');
            $table->json('joined_before');
            // The newest journal entry of the kept one when they were joined.
            $table->unsignedBigInteger('at_entry');
            $table->dateTime('separated_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['joined_id', 'separated_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('conversation_joins');
    }
};
