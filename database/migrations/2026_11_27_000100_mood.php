<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// How upset a customer sounds: of each message with the words it was read from, and of the conversation.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', function (Blueprint $table): void {
            $table->string('mood', 10)->nullable();
            $table->json('mood_words')->nullable();
        });
        Schema::table('conversations', function (Blueprint $table): void {
            $table->string('mood', 10)->default('neutral');
        });
    }
};
