<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('templates', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('folder', 120)->default('');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('shared_with', 10);
            $table->foreignId('team_id')->nullable()->constrained('teams')->nullOnDelete();
            // What goes along with the answer.
            $table->json('steps');
            $table->unsignedInteger('version')->default(1);
            $table->unsignedInteger('uses')->default(0);
            // Uses in which words were changed, and the shares of changed words added up, in thousandths.
            $table->unsignedInteger('changed_uses')->default(0);
            $table->unsignedBigInteger('changed_thousandths')->default(0);
            $table->dateTime('last_used_at')->nullable();
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
            $table->index(['retired_at', 'folder', 'name']);
            $table->index(['shared_with', 'team_id']);
        });
        Schema::create('template_languages', function (Blueprint $table): void {
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->string('language', 12)->charset('ascii')->collation('ascii_bin');
            $table->string('subject', 300)->nullable();
            $table->mediumText('text');
            $table->mediumText('html')->nullable();
            $table->primary(['template_id', 'language']);
        });
        Schema::create('template_categories', function (Blueprint $table): void {
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->foreignId('category_id')->constrained('categories')->cascadeOnDelete();
            $table->primary(['template_id', 'category_id']);
            $table->index('category_id');
        });
        Schema::create('template_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->string('name', 200);
            $table->string('media_type', 120);
            $table->unsignedBigInteger('size');
            $table->char('sha256', 64)->charset('ascii')->collation('ascii_bin');
            $table->string('file', 200);
        });
        // A template as it was, whole, from each change on.
        Schema::create('template_versions', function (Blueprint $table): void {
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->json('content');
            $table->string('what', 300);
            $table->dateTime('at');
            $table->primary(['template_id', 'version']);
        });
        Schema::create('template_uses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->foreignId('message_id')->constrained('messages')->cascadeOnDelete();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->string('language', 12)->charset('ascii')->collation('ascii_bin');
            $table->unsignedSmallInteger('changed_thousandths');
            $table->dateTime('at');
            $table->unique(['message_id', 'template_id']);
            $table->index(['template_id', 'at']);
        });
        // On what templates were used: a category, a channel, or a word of the message that was answered.
        Schema::create('template_habits', function (Blueprint $table): void {
            $table->foreignId('template_id')->constrained('templates')->cascadeOnDelete();
            $table->string('kind', 10)->charset('ascii')->collation('ascii_bin');
            $table->string('value', 60)->collation('utf8mb4_bin');
            $table->unsignedInteger('uses');
            $table->primary(['template_id', 'kind', 'value']);
            $table->index(['kind', 'value']);
        });
    }

    public function down(): void
    {
        foreach (
            [
                'template_habits', 'template_uses', 'template_versions', 'template_files', 'template_categories',
                'template_languages', 'templates',
            ] as $table
        ) {
            Schema::drop($table);
        }
    }
};
