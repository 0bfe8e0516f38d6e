<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Who looks at a conversation right now, and whether they write.
        Schema::create('presences', function (Blueprint $table): void {
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->boolean('writes')->default(false);
            $table->dateTime('seen_at');
            $table->primary(['conversation_id', 'teammate_id']);
        });
        // Up to which entry somebody has read a conversation.
        Schema::create('conversation_looks', function (Blueprint $table): void {
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->unsignedBigInteger('entry_id');
            $table->dateTime('at');
            $table->primary(['conversation_id', 'teammate_id']);
        });
        Schema::create('follows', function (Blueprint $table): void {
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            // What happened up to this entry is not told.
            $table->unsignedBigInteger('entry_id');
            $table->primary(['conversation_id', 'teammate_id']);
            $table->index('teammate_id');
        });
        Schema::create('news', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->foreignId('conversation_id')->nullable()->constrained('conversations')->cascadeOnDelete();
            $table->string('kind', 20);
            // What it tells of: told once, however often it is looked at.
            $table->string('source', 40)->charset('ascii')->collation('ascii_bin');
            $table->string('text', 500);
            $table->boolean('in_app');
            $table->dateTime('at');
            $table->dateTime('read_at')->nullable();
            $table->dateTime('mail_due_at')->nullable();
            $table->dateTime('mailed_at')->nullable();
            $table->unique(['teammate_id', 'source']);
            $table->index(['teammate_id', 'in_app', 'read_at', 'id']);
            $table->index(['mailed_at', 'mail_due_at']);
        });
        Schema::table('teammates', function (Blueprint $table): void {
            // What they want to be told of, and how; what is not in it is told as usual.
            $table->json('told')->nullable();
            $table->char('calendar_key', 40)->nullable()->charset('ascii')->collation('ascii_bin')->unique();
        });
        Schema::create('tasks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->nullable()->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('assignee_id')->constrained('teammates')->cascadeOnDelete();
            $table->foreignId('made_by_id')->constrained('teammates')->cascadeOnDelete();
            $table->string('title', 300);
            $table->dateTime('due_at');
            $table->unsignedInteger('remind_minutes')->nullable();
            $table->dateTime('remind_at')->nullable();
            $table->dateTime('done_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['assignee_id', 'done_at', 'due_at']);
            $table->index(['conversation_id', 'done_at', 'due_at']);
            $table->index(['done_at', 'remind_at']);
        });
        Schema::create('checklists', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->json('steps');
            $table->foreignId('category_id')->nullable()->constrained('categories')->nullOnDelete();
            $table->dateTime('retired_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('started_checklists', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('checklist_id')->nullable()->constrained('checklists')->nullOnDelete();
            $table->string('name', 80);
            // As they were when it was started, with who ticked them and when.
            $table->json('steps');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['conversation_id', 'checklist_id']);
        });
    }

    public function down(): void
    {
        foreach (['started_checklists', 'checklists', 'tasks', 'news', 'follows', 'conversation_looks', 'presences'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('teammates', fn (Blueprint $table) => $table->dropColumn(['told', 'calendar_key']));
    }
};
