<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('outbox', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('message_id')->unique()->constrained('messages');
            $table->foreignId('account_id')->constrained('accounts');
            $table->json('recipients');
            $table->string('state', 8);
            $table->unsignedSmallInteger('attempts')->default(0);
            $table->dateTime('due_at');
            $table->dateTime('lease_until')->nullable();
            $table->string('last_error', 1000)->nullable();
            $table->dateTime('sent_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['state', 'due_at']);
        });
        Schema::create('unreadable_mail', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->nullable()->constrained('accounts');
            $table->char('sha256', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->string('original', 200);
            $table->unsignedBigInteger('size');
            $table->string('reason', 1000);
            $table->string('from', 320)->default('');
            $table->string('subject', 500)->default('');
            $table->string('state', 12)->default('kept');
            $table->dateTime('received_at');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['state', 'received_at']);
        });
    }

    public function down(): void
    {
        foreach (['unreadable_mail', 'outbox'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
