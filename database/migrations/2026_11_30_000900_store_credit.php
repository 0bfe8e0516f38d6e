<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What customers can still buy for: codes that the shop knows, with what was given, used and has lapsed of each. And ways for money to
 * go back other than to the payment it came from.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('store_credits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts')->cascadeOnDelete();
            $table->string('code', 60);
            $table->foreignId('customer_id')->nullable()->constrained('customers')->nullOnDelete();
            $table->foreignId('payout_id')->nullable()->unique()->constrained('payouts')->nullOnDelete();
            $table->string('currency', 3);
            // Beyond what was paid: what the policy adds for taking credit.
            $table->bigInteger('bonus')->default(0);
            $table->dateTime('given_at');
            $table->unique(['account_id', 'code']);
            $table->index(['customer_id', 'currency']);
        });
        Schema::create('store_credit_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('store_credit_id')->constrained('store_credits')->cascadeOnDelete();
            $table->string('outside_id', 100);
            $table->string('kind', 10);
            // Below zero where it is used or has lapsed.
            $table->bigInteger('amount');
            $table->string('order_number', 60)->nullable();
            $table->dateTime('at');
            $table->unique(['store_credit_id', 'outside_id']);
        });
        Schema::table('payouts', function (Blueprint $table): void {
            $table->string('method', 10)->default('payment');
            $table->bigInteger('bonus')->default(0);
            // Another way than the payment, or store credit: in words, by whom it was proposed, and by whom agreed to.
            $table->string('other_way', 200)->nullable();
            $table->foreignId('proposed_by')->nullable()->constrained('teammates')->nullOnDelete();
            $table->foreignId('agreed_by')->nullable()->constrained('teammates')->nullOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('payouts', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('proposed_by');
            $table->dropConstrainedForeignId('agreed_by');
            $table->dropColumn(['method', 'bonus', 'other_way']);
        });
        Schema::dropIfExists('store_credit_entries');
        Schema::dropIfExists('store_credits');
    }
};
