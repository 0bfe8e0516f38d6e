<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('orders', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts');
            $table->string('outside_id', 191)->charset('ascii')->collation('ascii_bin');
            $table->string('number', 60);
            // Letters and digits only, in capitals, as it is looked up by.
            $table->string('number_key', 60)->charset('ascii')->collation('ascii_bin');
            $table->unsignedInteger('version');
            $table->string('status', 20);
            $table->dateTime('placed_at');
            $table->char('currency', 3);
            $table->boolean('prices_include_tax');
            $table->foreignId('customer_id')->nullable()->constrained('customers');
            $table->string('buyer_name', 500);
            $table->string('email', 320)->nullable();
            $table->string('telephone', 40)->nullable();
            $table->string('address', 1000)->default('');
            $table->char('country', 2)->default('');
            $table->string('marketplace', 60)->nullable();
            $table->string('marketplace_number', 60)->nullable();
            $table->string('marketplace_key', 60)->nullable()->charset('ascii')->collation('ascii_bin');
            // All money in the currency's smallest unit.
            $table->bigInteger('order_discount');
            $table->bigInteger('shipping_amount');
            $table->bigInteger('shipping_refunded');
            $table->string('shipping_title', 200)->default('');
            $table->string('shipping_tax_rate', 20);
            $table->bigInteger('total');
            $table->dateTime('fetched_at');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['account_id', 'outside_id']);
            $table->index('number_key');
            $table->index('marketplace_key');
            $table->index(['customer_id', 'placed_at']);
            $table->index(['placed_at', 'id']);
        });
        Schema::create('order_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained('orders')->cascadeOnDelete();
            $table->string('outside_id', 100);
            $table->string('sku', 100);
            $table->string('title', 300);
            $table->unsignedInteger('quantity');
            $table->bigInteger('unit_price');
            $table->bigInteger('discount');
            $table->string('tax_rate', 20);
            $table->unsignedInteger('sent');
            $table->unsignedInteger('returned');
            $table->bigInteger('refunded');
            $table->unique(['order_id', 'outside_id']);
        });
        Schema::create('order_payments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained('orders')->cascadeOnDelete();
            $table->string('outside_id', 100);
            $table->string('kind', 20);
            $table->string('label', 200);
            $table->bigInteger('captured');
            $table->bigInteger('refunded');
            $table->unique(['order_id', 'outside_id']);
        });
        Schema::create('parcels', function (Blueprint $table): void {
            $table->id();
            $table->string('number', 60)->unique();
            $table->foreignId('order_id')->nullable()->constrained('orders')->nullOnDelete();
            $table->string('carrier', 60);
            $table->dateTime('fetched_at');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('parcel_scans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('parcel_id')->constrained('parcels')->cascadeOnDelete();
            $table->string('outside_id', 100);
            $table->string('stage', 30);
            $table->string('place', 200)->default('');
            $table->dateTime('at');
            $table->unique(['parcel_id', 'outside_id']);
        });
        Schema::create('products', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts');
            $table->string('sku', 100);
            $table->string('title', 300);
            $table->bigInteger('price');
            $table->integer('stock');
            $table->dateTime('fetched_at');
            $table->unique(['account_id', 'sku']);
        });
        Schema::create('conversation_order', function (Blueprint $table): void {
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->foreignId('order_id')->constrained('orders')->cascadeOnDelete();
            $table->string('found_by', 12);
            $table->dateTime('at');
            $table->primary(['conversation_id', 'order_id']);
            $table->index('order_id');
        });
        // Numbers that look like an order's and that no source knew when asked.
        Schema::create('unknown_numbers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->string('number', 60);
            $table->dateTime('asked_at')->nullable();
            $table->unique(['conversation_id', 'number']);
            $table->index('number');
        });

        Schema::table('customers', function (Blueprint $table): void {
            $table->json('facts')->nullable();
            $table->foreignId('merged_into_id')->nullable()->constrained('customers');
            $table->index('name');
        });
        Schema::table('handles', function (Blueprint $table): void {
            // How it was found to be theirs, in words.
            $table->string('why', 300)->default('');
        });
        Schema::create('customer_notes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained('customers');
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->text('text');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('customer_groups', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            // A list of conditions that must all hold.
            $table->json('conditions');
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('customer_group_members', function (Blueprint $table): void {
            $table->foreignId('group_id')->constrained('customer_groups')->cascadeOnDelete();
            $table->foreignId('customer_id')->constrained('customers')->cascadeOnDelete();
            $table->primary(['group_id', 'customer_id']);
            $table->index('customer_id');
        });
        Schema::create('customer_merges', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kept_id')->constrained('customers');
            $table->foreignId('merged_id')->constrained('customers');
            $table->foreignId('teammate_id')->constrained('teammates');
            // What was moved, so that the merge can be undone exactly.
            $table->json('moved');
            $table->dateTime('at');
            $table->dateTime('undone_at')->nullable();
        });
        Schema::create('duplicate_proposals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('one_id')->constrained('customers')->cascadeOnDelete();
            $table->foreignId('other_id')->constrained('customers')->cascadeOnDelete();
            $table->unsignedInteger('points');
            $table->json('reasons');
            $table->string('state', 12);
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->unique(['one_id', 'other_id']);
            $table->index(['state', 'points']);
        });

        Schema::create('history_imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->foreignId('account_id')->constrained('accounts');
            $table->string('format', 8);
            $table->string('name', 255);
            $table->string('file', 300);
            $table->string('state', 12);
            $table->unsignedBigInteger('size');
            // The byte, or the item of a folder, to go on from.
            $table->unsignedBigInteger('position')->default(0);
            $table->unsignedInteger('taken')->default(0);
            $table->unsignedInteger('again')->default(0);
            $table->unsignedInteger('refused')->default(0);
            $table->string('problem', 1000)->nullable();
            $table->dateTime('lease_until')->nullable();
            $table->dateTime('finished_at')->nullable();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('history_import_problems', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('history_import_id')->constrained('history_imports')->cascadeOnDelete();
            $table->string('place', 255);
            $table->string('reason', 1000);
            $table->string('excerpt', 500)->default('');
            $table->unique(['history_import_id', 'place']);
        });
    }

    public function down(): void
    {
        foreach (
            [
                'history_import_problems', 'history_imports', 'duplicate_proposals', 'customer_merges', 'customer_group_members',
                'customer_groups', 'customer_notes',
            ] as $table
        ) {
            Schema::dropIfExists($table);
        }
        Schema::table('handles', fn (Blueprint $table) => $table->dropColumn('why'));
        Schema::table('customers', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('merged_into_id');
            $table->dropIndex(['name']);
            $table->dropColumn('facts');
        });
        foreach (
            [
                'unknown_numbers', 'conversation_order', 'products', 'parcel_scans', 'parcels', 'order_payments', 'order_lines',
                'orders',
            ] as $table
        ) {
            Schema::dropIfExists($table);
        }
    }
};
