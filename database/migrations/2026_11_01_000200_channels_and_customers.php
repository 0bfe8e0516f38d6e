<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('accounts', function (Blueprint $table): void {
            $table->id();
            $table->string('channel', 20);
            $table->string('address', 254);
            $table->string('sender_name', 120);
            $table->text('signature')->nullable();
            $table->foreignId('team_id')->nullable()->constrained('teams')->nullOnDelete();
            $table->string('state', 20)->default('active');
            // Hosts and user names are settings; passwords and signing secrets are encrypted apart.
            $table->json('settings');
            $table->text('secrets');
            $table->unsignedBigInteger('uid_validity')->nullable();
            $table->unsignedBigInteger('last_uid')->default(0);
            $table->dateTime('last_heard_at')->nullable();
            $table->string('last_error', 1000)->nullable();
            $table->dateTime('last_error_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['channel', 'address']);
        });
        Schema::create('customers', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 200);
            $table->string('language', 12)->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('handles', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained('customers');
            $table->string('kind', 20);
            // Normalised for matching; `shown` is how it was written.
            $table->string('value', 320)->collation('utf8mb4_bin');
            $table->string('shown', 320);
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['kind', 'value']);
        });
    }

    public function down(): void
    {
        foreach (['handles', 'customers', 'accounts'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
