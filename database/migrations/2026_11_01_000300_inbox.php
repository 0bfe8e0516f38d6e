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
        Schema::create('categories', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('parent_id')->nullable()->constrained('categories');
            $table->string('name', 80);
            $table->string('customer_name', 80);
            $table->unsignedInteger('position')->default(0);
        });
        Schema::create('outcomes', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->unsignedInteger('position')->default(0);
        });
        Schema::create('conversations', function (Blueprint $table): void {
            // The id is the number that people see: C-1042.
            $table->id()->startingValue(1001);
            $table->string('subject', 500);
            $table->char('bare_subject_key', 64)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('customer_id')->constrained('customers');
            $table->foreignId('account_id')->constrained('accounts');
            $table->string('channel', 20);
            $table->string('state', 12);
            $table->foreignId('owner_id')->nullable()->constrained('teammates');
            $table->foreignId('team_id')->nullable()->constrained('teams')->nullOnDelete();
            $table->foreignId('category_id')->nullable()->constrained('categories');
            $table->foreignId('outcome_id')->nullable()->constrained('outcomes');
            $table->foreignId('linked_conversation_id')->nullable()->constrained('conversations');
            $table->string('priority', 8)->default('normal');
            $table->string('held_reason', 300)->nullable();
            $table->dateTime('bring_back_at')->nullable();
            $table->string('preview', 240)->default('');
            $table->boolean('automatic')->default(false);
            // The customer's oldest message that nobody has answered yet, and when its answer falls due.
            $table->dateTime('waiting_since')->nullable();
            $table->dateTime('due_at')->nullable();
            $table->dateTime('first_replied_at')->nullable();
            $table->dateTime('last_message_at');
            $table->dateTime('last_customer_message_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['state', 'due_at', 'id']);
            $table->index(['state', 'owner_id', 'due_at', 'id']);
            $table->index(['state', 'last_message_at', 'id']);
            $table->index(['state', 'bring_back_at']);
            $table->index(['customer_id', 'last_message_at']);
            $table->index(['bare_subject_key', 'last_message_at']);
        });
        Schema::create('messages', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->foreignId('account_id')->constrained('accounts');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates');
            $table->string('direction', 3);
            $table->string('from_name', 200)->default('');
            $table->string('from_address', 320)->default('');
            $table->string('reply_to', 320)->nullable();
            $table->json('to');
            $table->json('cc');
            $table->string('subject', 1000)->default('');
            $table->string('message_id', 1000)->default('');
            $table->char('message_id_key', 64)->charset('ascii')->collation('ascii_bin');
            $table->string('in_reply_to', 1000)->nullable();
            $table->text('references')->nullable();
            $table->mediumText('text');
            $table->mediumText('html')->nullable();
            $table->boolean('automatic')->default(false);
            $table->json('marks');
            $table->dateTime('sent_at')->nullable();
            $table->dateTime('received_at');
            $table->string('original', 200)->nullable();
            $table->unsignedInteger('original_size')->nullable();
            // One message is stored once: what it was taken under, or the form it was sent from.
            $table->char('once_key', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['conversation_id', 'id']);
            $table->index('message_id_key');
            $table->index(['from_address', 'id']);
        });
        Schema::create('attachments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('message_id')->constrained('messages');
            $table->string('name', 255);
            $table->string('media_type', 150);
            $table->unsignedBigInteger('size');
            $table->char('sha256', 64)->charset('ascii')->collation('ascii_bin');
            $table->string('content_id', 500)->nullable();
            $table->boolean('inline')->default(false);
            $table->string('file', 200);
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('notes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->text('text');
            $table->char('once_key', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['conversation_id', 'id']);
        });
        Schema::create('journal', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates');
            $table->string('actor', 12);
            $table->string('kind', 40);
            $table->foreignId('message_id')->nullable()->constrained('messages');
            $table->foreignId('note_id')->nullable()->constrained('notes');
            $table->json('details');
            $table->string('why', 300)->default('');
            $table->dateTime('at');
            $table->index(['conversation_id', 'at', 'id']);
            $table->index(['conversation_id', 'id']);
        });
        // The journal is the record of every change: it is added to, never edited.
        DB::unprepared("CREATE TRIGGER journal_is_never_edited BEFORE UPDATE ON journal FOR EACH ROW
            SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The journal is never edited.'");
        Schema::create('drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->string('kind', 8);
            $table->mediumText('text');
            $table->json('files');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['conversation_id', 'teammate_id', 'kind']);
        });
    }

    public function down(): void
    {
        foreach (['drafts', 'journal', 'notes', 'attachments', 'messages', 'conversations', 'outcomes', 'categories'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
