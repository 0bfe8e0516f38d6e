<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A rule's note is nobody's.
        Schema::table('notes', fn (Blueprint $table) => $table->unsignedBigInteger('teammate_id')->nullable()->change());
        Schema::create('rules', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->unsignedInteger('place');
            $table->string('way', 10);
            $table->boolean('on')->default(false);
            $table->json('events');
            $table->json('condition');
            $table->json('actions');
            $table->text('notes')->nullable();
            $table->string('changed_by', 20)->default('leads');
            $table->unsignedInteger('version')->default(1);
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            // It wanted to send more than it may in a minute: its answers wait until somebody says go on.
            $table->dateTime('stopped_at')->nullable();
            $table->string('last_error', 500)->nullable();
            $table->dateTime('last_error_at')->nullable();
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
            $table->index(['retired_at', 'place']);
        });
        Schema::create('rule_versions', function (Blueprint $table): void {
            $table->foreignId('rule_id')->constrained('rules')->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->json('content');
            $table->string('what', 300);
            $table->dateTime('at');
            $table->primary(['rule_id', 'version']);
        });
        // What each rule did, once for one event.
        Schema::create('rule_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules')->cascadeOnDelete();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->string('event_key', 60)->charset('ascii')->collation('ascii_bin');
            $table->string('state', 10);
            $table->json('because');
            // Those of its actions that no other rule overruled.
            $table->json('actions');
            $table->json('done');
            $table->unsignedTinyInteger('attempts')->default(0);
            $table->string('error', 500)->nullable();
            $table->dateTime('next_try_at')->nullable();
            $table->dateTime('at');
            $table->unique(['rule_id', 'event_key']);
            $table->index(['rule_id', 'at']);
            $table->index('conversation_id');
            $table->index(['state', 'next_try_at']);
        });
        // What was looked at already: the journal's news are given more than once, and a rule that did not fit then
        // must not fit a moment later because of what others have done.
        Schema::create('rule_looks', function (Blueprint $table): void {
            $table->unsignedBigInteger('entry_id')->primary();
            $table->dateTime('at')->index();
        });
        // Answers that rules gave, so that nobody gets too many.
        Schema::create('rule_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rule_id')->constrained('rules')->cascadeOnDelete();
            $table->string('address', 320)->collation('utf8mb4_bin');
            $table->dateTime('at');
            $table->index(['address', 'at']);
            $table->index(['rule_id', 'at']);
        });
    }

    public function down(): void
    {
        foreach (['rule_answers', 'rule_looks', 'rule_runs', 'rule_versions', 'rules'] as $table) {
            Schema::drop($table);
        }
    }
};
