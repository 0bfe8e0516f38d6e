<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Money given back: the worksheet that it was given from, the parts that go to each payment, and what went back past us.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('refunds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained('orders');
            $table->foreignId('conversation_id')->nullable()->constrained('conversations')->nullOnDelete();
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('state', 12)->index();
            $table->char('once_key', 64)->unique();
            $table->string('reason', 200);
            $table->string('currency', 3);
            // As it was chosen, and how each cent came about.
            $table->json('chosen');
            $table->json('explained');
            foreach (['delivery_net', 'delivery_tax', 'delivery_gross', 'fee', 'label', 'goodwill', 'total'] as $amount) {
                $table->bigInteger($amount);
            }
            $table->dateTime('asked_at');
            $table->dateTime('ended_at')->nullable();
            // Until the shop has it in its book.
            $table->dateTime('book_next_at')->nullable()->index();
            $table->unsignedInteger('book_attempts')->default(0);
        });
        Schema::create('refund_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('refund_id')->constrained('refunds')->cascadeOnDelete();
            $table->foreignId('order_line_id')->constrained('order_lines');
            $table->unsignedInteger('quantity');
            foreach (['net', 'tax', 'gross'] as $amount) {
                $table->bigInteger($amount);
            }
        });
        Schema::create('payouts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('refund_id')->constrained('refunds')->cascadeOnDelete();
            $table->foreignId('order_payment_id')->constrained('order_payments');
            $table->bigInteger('amount');
            $table->string('state', 12);
            // Under which it is asked for at the provider: the same request twice gives back once.
            $table->uuid('once')->unique();
            $table->string('outside_id', 100)->nullable()->index();
            $table->string('why', 300)->nullable();
            $table->unsignedInteger('attempts')->default(0);
            $table->dateTime('next_at')->nullable()->index();
            $table->dateTime('ended_at')->nullable();
        });
        // What the provider gave back without our asking.
        Schema::create('refunds_elsewhere', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('outside_id', 100);
            $table->string('payment', 100)->index();
            $table->bigInteger('amount');
            $table->string('state', 12);
            $table->dateTime('at');
            $table->unique(['account_id', 'outside_id']);
        });
    }

    public function down(): void
    {
        foreach (['refunds_elsewhere', 'payouts', 'refund_lines', 'refunds'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
