<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What can be found of a conversation: its words as the core folds them, made anew from the journal's news.
        Schema::create('search_documents', function (Blueprint $table): void {
            $table->unsignedBigInteger('conversation_id')->primary();
            $table->mediumText('text')->collation('utf8mb4_bin');
            $table->fullText('text');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('search_documents');
    }
};
