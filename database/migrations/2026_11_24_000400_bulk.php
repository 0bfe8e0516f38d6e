<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('bulk_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            // What is done, such as `owner:3` or `resolve:2`, and what it needs.
            $table->string('does', 20);
            $table->string('value', 120)->default('');
            $table->mediumText('text')->nullable();
            $table->string('label', 300);
            $table->string('state', 10);
            $table->dateTime('undo_until')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('bulk_items', function (Blueprint $table): void {
            $table->foreignId('bulk_change_id')->constrained('bulk_changes')->cascadeOnDelete();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->string('state', 10);
            $table->string('reason', 300)->default('');
            // The newest journal entry when it was chosen, and after it was changed.
            $table->unsignedBigInteger('seen');
            $table->unsignedBigInteger('changed_at_entry')->nullable();
            $table->json('before')->nullable();
            $table->primary(['bulk_change_id', 'conversation_id']);
            $table->index(['bulk_change_id', 'state', 'conversation_id']);
            $table->index('conversation_id');
        });
    }

    public function down(): void
    {
        foreach (['bulk_items', 'bulk_changes'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
