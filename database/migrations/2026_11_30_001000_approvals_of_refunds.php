<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * An approval can carry a worksheet: what is to be given back, who has to say yes, and who has. And who answers for whom while they are
 * away.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('approvals', function (Blueprint $table): void {
            $table->unsignedBigInteger('conversation_id')->nullable()->change();
            $table->foreignId('order_id')->nullable()->constrained('orders');
            // As the worksheet was filled in, with what it came to.
            $table->json('worksheet')->nullable();
            $table->bigInteger('amount')->nullable();
            $table->string('currency', 3)->nullable();
            // The roles whose yes it needs, in their order; and who has given it.
            $table->json('steps')->nullable();
            $table->json('given')->nullable();
            $table->foreignId('refund_id')->nullable()->constrained('refunds')->nullOnDelete();
            $table->index(['state', 'asked_at']);
            $table->index(['order_id', 'state']);
        });
        Schema::table('teammates', function (Blueprint $table): void {
            $table->foreignId('deputy_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('approvals_reminded_at')->nullable();
        });
        Schema::table('news', function (Blueprint $table): void {
            // Where it is, where that is no conversation.
            $table->string('path', 120)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('news', fn (Blueprint $table) => $table->dropColumn('path'));
        Schema::table('teammates', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('deputy_id');
            $table->dropColumn('approvals_reminded_at');
        });
        Schema::table('approvals', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('order_id');
            $table->dropConstrainedForeignId('refund_id');
            $table->dropColumn(['worksheet', 'amount', 'currency', 'steps', 'given']);
        });
    }
};
