<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('partner_threads', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->string('name', 120);
            $table->string('address', 320);
            $table->string('subject', 300);
            $table->dateTime('answered_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['conversation_id', 'id']);
        });
        Schema::table('messages', function (Blueprint $table): void {
            $table->json('bcc')->nullable();
            // Taken back by its author before it was on its way.
            $table->dateTime('called_back_at')->nullable();
            // What was passed on to somebody else; not said to the customer.
            $table->boolean('forwarded')->default(false);
            $table->foreignId('partner_thread_id')->nullable()->constrained('partner_threads');
        });
        // The conversation as it was before an answer, for as long as that can be called back.
        Schema::table('outbox', fn (Blueprint $table) => $table->json('before')->nullable());
        // Outside addresses that get everything of this conversation.
        Schema::table('conversations', fn (Blueprint $table) => $table->json('standing_copies')->nullable());
        Schema::table('teammates', fn (Blueprint $table) => $table->string('signature', 1000)->default(''));
        Schema::table('drafts', fn (Blueprint $table) => $table->json('details')->nullable());
        Schema::create('scheduled_replies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->json('reply');
            $table->dateTime('send_at');
            $table->boolean('unless_answered');
            $table->string('state', 10);
            $table->string('reason', 500)->default('');
            $table->char('once_key', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['state', 'send_at']);
            $table->index(['conversation_id', 'state']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('scheduled_replies');
        Schema::table('drafts', fn (Blueprint $table) => $table->dropColumn('details'));
        Schema::table('teammates', fn (Blueprint $table) => $table->dropColumn('signature'));
        Schema::table('conversations', fn (Blueprint $table) => $table->dropColumn('standing_copies'));
        Schema::table('outbox', fn (Blueprint $table) => $table->dropColumn('before'));
        Schema::table('messages', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('partner_thread_id');
            $table->dropColumn(['bcc', 'called_back_at', 'forwarded']);
        });
        Schema::dropIfExists('partner_threads');
    }
};
