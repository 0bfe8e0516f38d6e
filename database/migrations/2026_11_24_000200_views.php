<?php

declare(strict_types=1);

use App\Customers\Customer;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('saved_views', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 60);
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->string('shared_with', 10);
            $table->foreignId('team_id')->nullable()->constrained('teams')->nullOnDelete();
            // The tree that the core's conditions are.
            $table->json('condition');
            $table->json('columns');
            $table->string('sort', 20);
            $table->string('board_by', 20)->default('state');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::table('customers', fn (Blueprint $table) => $table->string('name_folded', 300)
            ->collation('utf8mb4_bin')
            ->default('')
            ->index());
        Schema::table('conversations', function (Blueprint $table): void {
            $table->index('language');
            $table->index(['next_up', 'id']);
            $table->index(['last_message_at', 'id']);
            $table->index(['created_at', 'id']);
        });
        Customer::query()->eachById(static fn (Customer $customer) => $customer->save(), 1000);
    }

    public function down(): void
    {
        Schema::table('conversations', function (Blueprint $table): void {
            $table->dropIndex(['language']);
            $table->dropIndex(['next_up', 'id']);
            $table->dropIndex(['last_message_at', 'id']);
            $table->dropIndex(['created_at', 'id']);
        });
        Schema::table('customers', fn (Blueprint $table) => $table->dropColumn('name_folded'));
        Schema::dropIfExists('saved_views');
    }
};
