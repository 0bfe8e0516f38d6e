<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('accounts', function (Blueprint $table): void {
            // What becomes of what arrives: joining interval, mentions, words.
            $table->json('arrivals')->nullable();
            // Up to where the source's events have been read, as the source writes it.
            $table->string('cursor', 200)->nullable();
        });
        Schema::create('channel_items', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts');
            $table->string('channel', 20);
            $table->string('outside_id', 191)->charset('ascii')->collation('ascii_bin');
            $table->string('kind', 20);
            $table->boolean('public');
            $table->string('thread', 191)->nullable()->charset('ascii')->collation('ascii_bin');
            $table->string('author_kind', 20);
            $table->string('author', 191)->collation('utf8mb4_bin');
            $table->string('author_shown', 191);
            $table->string('author_name', 200)->default('');
            $table->mediumText('text');
            $table->json('earlier_texts');
            $table->unsignedInteger('revision');
            $table->dateTime('posted_at');
            $table->dateTime('removed_at')->nullable();
            $table->dateTime('liked_at')->nullable();
            $table->dateTime('reposted_at')->nullable();
            $table->foreignId('message_id')->nullable()->constrained('messages');
            $table->foreignId('conversation_id')->nullable()->constrained('conversations');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['channel', 'outside_id']);
            $table->index(['account_id', 'thread']);
            $table->index(['author_kind', 'author', 'posted_at']);
            $table->index(['public', 'posted_at']);
        });
        // What came and could not be taken, or was refused: for an administrator to see.
        Schema::create('event_traces', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('way', 12);
            $table->string('problem', 30);
            $table->string('reason', 1000);
            $table->mediumText('event')->nullable();
            $table->unsignedBigInteger('size')->default(0);
            $table->string('state', 12);
            $table->unsignedInteger('times')->default(1);
            $table->char('same_key', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->dateTime('at');
            $table->index(['state', 'at']);
            $table->index(['account_id', 'at']);
        });
        Schema::table('messages', function (Blueprint $table): void {
            $table->boolean('public')->default(false);
            $table->string('kind', 20)->default('message');
            $table->string('outside_id', 191)->nullable()->charset('ascii')->collation('ascii_bin');
            $table->string('language', 12)->nullable();
            $table->json('redacted')->nullable();
            $table->json('earlier_texts')->nullable();
            $table->dateTime('edited_at')->nullable();
            $table->dateTime('removed_at')->nullable();
        });
        Schema::table('conversations', function (Blueprint $table): void {
            $table->string('kind', 20)->default('message');
            $table->boolean('public')->default(false);
            $table->string('language', 12)->nullable();
            $table->string('about_title', 300)->nullable();
            $table->string('about_url', 500)->nullable();
            $table->unsignedTinyInteger('stars')->nullable();
            // Until when the source wants an answer, whatever the team promises.
            $table->dateTime('answer_by')->nullable();
            $table->boolean('junk')->default(false);
            $table->json('junk_reasons')->nullable();
            $table->foreignId('joined_into_id')->nullable()->constrained('conversations');
            $table->index(['customer_id', 'account_id', 'last_message_at']);
            $table->index(['junk', 'last_message_at', 'id']);
        });
        Schema::create('blocked_senders', function (Blueprint $table): void {
            $table->id();
            // An address or account name, or with kind `domain` everybody there.
            $table->string('kind', 20);
            $table->string('value', 320)->collation('utf8mb4_bin');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['kind', 'value']);
        });
        Schema::create('store_settings', function (Blueprint $table): void {
            $table->string('name', 80)->primary();
            $table->json('value');
            $table->dateTime('updated_at')->nullable();
        });
    }

    public function down(): void
    {
        foreach (['store_settings', 'blocked_senders'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('conversations', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('joined_into_id');
            $table->dropIndex(['customer_id', 'account_id', 'last_message_at']);
            $table->dropIndex(['junk', 'last_message_at', 'id']);
            $table->dropColumn(['kind', 'public', 'language', 'about_title', 'about_url', 'stars', 'answer_by', 'junk', 'junk_reasons']);
        });
        Schema::table(
            'messages',
            fn (Blueprint $table) => $table->dropColumn(
                ['public', 'kind', 'outside_id', 'language', 'redacted', 'earlier_texts', 'edited_at', 'removed_at']
            )
        );
        foreach (['event_traces', 'channel_items'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('accounts', fn (Blueprint $table) => $table->dropColumn(['arrivals', 'cursor']));
    }
};
