<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * New orders in place of what was wrong or came back, and what the shop is asked to change of an order that has not left yet.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('exchanges', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained('orders');
            $table->foreignId('conversation_id')->nullable()->constrained('conversations')->nullOnDelete();
            $table->foreignId('return_id')->nullable()->constrained('returns')->nullOnDelete();
            $table->foreignId('refund_id')->nullable()->unique()->constrained('refunds')->nullOnDelete();
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('state', 12);
            $table->char('once_key', 64)->unique();
            $table->string('reason', 200);
            $table->string('currency', 3);
            // What is sent: sku, title, quantity and what each costs, in smallest units.
            $table->json('goods');
            // All of it, what of it is paid with what came back, and what is still to be paid.
            foreach (['worth', 'kept', 'to_pay'] as $amount) {
                $table->bigInteger($amount);
            }
            $table->foreignId('new_order_id')->nullable()->constrained('orders')->nullOnDelete();
            $table->string('payment_link', 500)->nullable();
            $table->string('why', 300)->nullable();
            $table->dateTime('asked_at');
            $table->dateTime('next_at')->nullable()->index();
            $table->unsignedInteger('attempts')->default(0);
            $table->index(['order_id', 'state']);
        });
        Schema::table('refunds', function (Blueprint $table): void {
            // Of what came back, what pays for other goods.
            $table->bigInteger('kept')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('refunds', fn (Blueprint $table) => $table->dropColumn('kept'));
        Schema::dropIfExists('exchanges');
    }
};
