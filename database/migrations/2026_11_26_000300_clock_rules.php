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
        // What rules that run with time count from; each with an index, since they are looked through by it.
        Schema::table('conversations', function (Blueprint $table): void {
            $table->dateTime('last_answered_at')->nullable()->index();
            $table->dateTime('state_changed_at')->nullable()->index();
            $table->dateTime('unowned_since')->nullable()->index();
            $table->index('created_at');
            $table->index('last_customer_message_at');
            $table->index('waiting_since');
            $table->index('due_at');
        });
        $latest = static fn (string $kind): string => "(SELECT MAX(at) FROM journal
            WHERE journal.conversation_id = conversations.id AND kind = '{$kind}')";
        DB::statement("UPDATE conversations SET
            state_changed_at = COALESCE({$latest('state_changed')}, created_at),
            last_answered_at = (SELECT MAX(sent_at) FROM messages
                WHERE messages.conversation_id = conversations.id AND direction = 'out' AND automatic = 0),
            unowned_since = IF(owner_id IS NULL, COALESCE({$latest('owner_changed')}, created_at), NULL)");
        Schema::table('rules', function (Blueprint $table): void {
            $table->json('clock')->nullable();
            // Up to where it was looked; what is before the first was so before it was switched on.
            $table->dateTime('swept_from')->nullable();
            $table->dateTime('swept_to')->nullable();
        });
        Schema::create('nudge_plans', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            // Each with the working days since the one before, and the template.
            $table->json('steps');
            $table->unsignedInteger('end_days');
            $table->foreignId('end_template_id')->nullable()->constrained('templates')->nullOnDelete();
            $table->foreignId('end_outcome_id')->constrained('outcomes');
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
        });
        Schema::create('nudges', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('nudge_plan_id')->constrained('nudge_plans')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->unsignedTinyInteger('sent')->default(0);
            $table->string('state', 10);
            $table->string('reason', 300)->default('');
            $table->dateTime('started_at');
            $table->dateTime('next_at');
            $table->index(['state', 'next_at']);
            $table->index(['conversation_id', 'state']);
        });
    }

    public function down(): void
    {
        Schema::drop('nudges');
        Schema::drop('nudge_plans');
        Schema::table('rules', fn (Blueprint $table) => $table->dropColumn(['clock', 'swept_from', 'swept_to']));
        Schema::table('conversations', function (Blueprint $table): void {
            foreach (['created_at', 'last_customer_message_at', 'waiting_since', 'due_at'] as $column) {
                $table->dropIndex([$column]);
            }
            $table->dropColumn(['last_answered_at', 'state_changed_at', 'unowned_since']);
        });
    }
};
