<?php

declare(strict_types=1);

use App\Conversations\PlaceInQueue;
use App\Sorting\Category;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customer_groups', fn (Blueprint $table) => $table->unsignedTinyInteger('place')->default(5));

        Schema::table('conversations', function (Blueprint $table): void {
            // Where it stands in the queue, as the core works it out: sorted by, never computed in a list.
            $table->unsignedTinyInteger('due_group')->default(3);
            $table->unsignedBigInteger('next_up')->default(0);
            $table->unsignedTinyInteger('customer_place')->default(5);
            $table->string('subject_folded', 600)->collation('utf8mb4_bin')->default('');
            $table->index(['state', 'next_up', 'id']);
            $table->index(['state', 'owner_id', 'next_up', 'id']);
            $table->index(['state', 'team_id', 'next_up', 'id']);
            $table->index(['state', 'category_id', 'next_up', 'id']);
            $table->index(['state', 'due_group', 'due_at']);
            $table->dropIndex(['state', 'due_at', 'id']);
            $table->dropIndex(['state', 'owner_id', 'due_at', 'id']);
            $table->dropIndex(['state', 'bring_back_at']);
            $table->index(['bring_back_at', 'state']);
        });

        Schema::table('categories', function (Blueprint $table): void {
            // `Delivery › Late parcel`, kept with every rename and move.
            $table->string('path', 500)->default('');
            $table->boolean('hidden')->default(false);
            $table->foreignId('responsible_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('retired_at')->nullable();
            $table->foreignId('merged_into_id')->nullable()->constrained('categories')->nullOnDelete();
        });
        Schema::create('category_teammate', function (Blueprint $table): void {
            $table->foreignId('category_id')->constrained('categories')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->primary(['category_id', 'teammate_id']);
        });
        Schema::table('outcomes', function (Blueprint $table): void {
            $table->dateTime('retired_at')->nullable();
            $table->foreignId('merged_into_id')->nullable()->constrained('outcomes')->nullOnDelete();
        });

        Schema::create('tags', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60);
            $table->string('folded', 80)->collation('utf8mb4_bin')->unique();
            $table->dateTime('retired_at')->nullable();
            $table->foreignId('merged_into_id')->nullable()->constrained('tags')->nullOnDelete();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('conversation_tag', function (Blueprint $table): void {
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('tag_id')->constrained('tags')->cascadeOnDelete();
            $table->primary(['conversation_id', 'tag_id']);
            $table->index(['tag_id', 'conversation_id']);
        });

        Schema::create('own_fields', function (Blueprint $table): void {
            $table->id();
            $table->string('about', 12);
            $table->string('name', 60);
            // How conditions, searches and exports name it; stays when the name changes.
            $table->string('word', 60)->charset('ascii')->collation('ascii_bin');
            $table->string('kind', 10);
            $table->json('choices');
            $table->boolean('required_to_resolve')->default(false);
            $table->unsignedInteger('position')->default(0);
            $table->dateTime('retired_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['about', 'word']);
        });
        Schema::create('own_values', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('own_field_id')->constrained('own_fields')->cascadeOnDelete();
            $table->unsignedBigInteger('about_id');
            $table->unsignedSmallInteger('position')->default(0);
            $table->string('text', 500)->nullable();
            $table->string('folded', 600)->collation('utf8mb4_bin')->nullable();
            $table->decimal('number', 24, 6)->nullable();
            $table->unique(['own_field_id', 'about_id', 'position']);
            $table->index(['own_field_id', 'number', 'about_id']);
        });

        foreach (Category::query()->with('parent')->get() as $category) {
            $category->forceFill(
                ['path' => $category->parent === null ? $category->name : "{$category->parent->name} › {$category->name}"]
            )->save();
        }
        app(PlaceInQueue::class)->everything();
    }

    public function down(): void
    {
        foreach (['own_values', 'own_fields', 'conversation_tag', 'tags', 'category_teammate'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('outcomes', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('merged_into_id');
            $table->dropColumn('retired_at');
        });
        Schema::table('categories', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('merged_into_id');
            $table->dropConstrainedForeignId('responsible_id');
            $table->dropColumn(['path', 'hidden', 'retired_at']);
        });
        Schema::table('conversations', function (Blueprint $table): void {
            $table->index(['state', 'due_at', 'id']);
            $table->index(['state', 'owner_id', 'due_at', 'id']);
            $table->index(['state', 'bring_back_at']);
            $table->dropIndex(['state', 'next_up', 'id']);
            $table->dropIndex(['state', 'owner_id', 'next_up', 'id']);
            $table->dropIndex(['state', 'team_id', 'next_up', 'id']);
            $table->dropIndex(['state', 'category_id', 'next_up', 'id']);
            $table->dropIndex(['state', 'due_group', 'due_at']);
            $table->dropIndex(['bring_back_at', 'state']);
            $table->dropColumn(['due_group', 'next_up', 'customer_place', 'subject_folded']);
        });
        Schema::table('customer_groups', fn (Blueprint $table) => $table->dropColumn('place'));
    }
};
