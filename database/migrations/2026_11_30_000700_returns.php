<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What may come back and how: reasons with their policies, and each return from its asking to its end.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('return_reasons', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->unsignedInteger('position');
            $table->dateTime('retired_at')->nullable();
        });
        Schema::create('return_policies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('reason_id')->constrained('return_reasons')->cascadeOnDelete();
            // For whom and what it is; what is nothing is for all.
            $table->string('marketplace', 40)->nullable();
            $table->foreignId('group_id')->nullable()->constrained('customer_groups')->nullOnDelete();
            $table->string('product_words', 300)->default('');
            $table->json('terms');
            $table->unsignedInteger('version')->default(1);
            $table->dateTime('retired_at')->nullable();
        });
        Schema::create('return_policy_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('policy_id')->constrained('return_policies')->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->json('content');
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->dateTime('at');
            $table->unique(['policy_id', 'version']);
        });
        Schema::create('returns', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained('orders');
            $table->foreignId('customer_id')->nullable()->constrained('customers')->nullOnDelete();
            $table->foreignId('conversation_id')->nullable()->constrained('conversations')->nullOnDelete();
            $table->foreignId('reason_id')->constrained('return_reasons');
            $table->foreignId('policy_id')->nullable()->constrained('return_policies')->nullOnDelete();
            $table->unsignedInteger('policy_version');
            // The policy as it was when it began.
            $table->json('terms');
            $table->string('state', 12);
            $table->foreignId('teammate_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->char('once_key', 64)->unique();
            $table->string('note', 500)->default('');
            $table->date('last_day')->nullable();
            $table->boolean('stays')->default(false);
            $table->foreignId('decided_by')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('why', 300)->default('');
            $table->uuid('label_key')->unique();
            $table->string('label_number', 60)->nullable()->unique();
            $table->string('label_file', 120)->nullable();
            $table->string('label_why', 300)->nullable();
            $table->dateTime('label_next_at')->nullable()->index();
            $table->unsignedInteger('label_attempts')->default(0);
            $table->foreignId('inspected_by')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('settled_as', 12)->nullable();
            foreach (['asked_at', 'agreed_at', 'sent_at', 'seen_at', 'arrived_at', 'inspected_at', 'settled_at', 'ended_at'] as $moment) {
                $table->dateTime($moment)->nullable();
            }
            $table->dateTime('due_at')->nullable();
            $table->dateTime('remind_at')->nullable();
            $table->dateTime('lapse_at')->nullable()->index();
            $table->dateTime('stock_next_at')->nullable()->index();
            $table->unsignedInteger('stock_attempts')->default(0);
            $table->index(['state', 'due_at']);
            $table->index('asked_at');
            $table->index('remind_at');
        });
        Schema::create('return_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('return_id')->constrained('returns')->cascadeOnDelete();
            $table->foreignId('order_line_id')->constrained('order_lines');
            $table->unsignedInteger('quantity');
            $table->unique(['return_id', 'order_line_id']);
        });
        Schema::create('return_units', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('return_id')->constrained('returns')->cascadeOnDelete();
            // Nothing for what nobody had agreed on: then it is named.
            $table->foreignId('order_line_id')->nullable()->constrained('order_lines');
            $table->unsignedInteger('place');
            $table->string('title', 200)->default('');
            $table->string('grade', 12);
            $table->boolean('to_stock')->default(false);
        });
        Schema::create('return_photos', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('return_id')->constrained('returns')->cascadeOnDelete();
            $table->string('name', 200);
            $table->string('media_type', 100);
            $table->unsignedInteger('size');
            $table->char('sha256', 64);
            $table->string('file', 120);
            $table->dateTime('at');
            $table->unique(['return_id', 'sha256']);
        });
        Schema::table('refunds', function (Blueprint $table): void {
            $table->foreignId('return_id')->nullable()->constrained('returns')->nullOnDelete();
            $table->bigInteger('deduction')->default(0);
        });
        $this->beginWithTheUsual();
    }

    /**
     * What most stores have: a lead makes it the store's own. For some, only money goes back.
     */
    private function beginWithTheUsual(): void
    {
        $ours = ['customerPays' => false, 'delivery' => 'share'];
        // The guarantee of a consumer is two years: Directive (EU) 2019/771, Article 10.
        $fault = [...$ours, 'days' => 730, 'needsPhoto' => true];
        $policies = [
            'Changed mind' => ['delivery' => 'all', 'shares' => ['opened' => '85']], 'Does not fit' => ['days' => 60], 'Faulty' => $fault,
            'Damaged on the way' => [...$fault, 'days' => 30], 'Wrong item' => [...$ours, 'days' => 60],
            'Late' => [...$ours, 'delivery' => 'all'], 'Missing part' => null, 'Lost parcel' => null, 'Cancelled' => null,
            'Goodwill' => null,
        ];
        foreach ($policies as $reason => $terms) {
            $id = DB::table('return_reasons')
                ->insertGetId(['name' => $reason, 'position' => array_search($reason, array_keys($policies), true)]);
            if ($terms === null) {
                continue;
            }
            $kept = (string) json_encode([
                'days' => 30, 'transitDays' => 5, 'toOpenDay' => true, 'customerPays' => true, 'labelCost' => [], 'fee' => '0',
                'delivery' => 'none', 'needsPhoto' => false, 'needsInspection' => true, 'staysUnder' => [], 'longerIn' => [],
                'sendWithin' => 14, 'remindAfter' => 7, ...$terms, 'shares' => [
                    'as_new' => '100', 'opened' => '100', 'damaged' => '40', 'faulty' => '100', 'missing' => '0', 'other' => '0',
                    ...$terms['shares'] ?? [],
                ],
            ]);
            $policy = DB::table('return_policies')->insertGetId(['reason_id' => $id, 'terms' => $kept]);
            DB::table('return_policy_versions')->insert([
                'policy_id' => $policy, 'version' => 1, 'at' => now(), 'content' => json_encode([
                    'marketplace' => null, 'group_id' => null, 'product_words' => '', 'terms' => json_decode($kept, true),
                ]),
            ]);
        }
    }

    public function down(): void
    {
        Schema::table('refunds', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('return_id');
            $table->dropColumn('deduction');
        });
        foreach (
            [
                'return_photos', 'return_units', 'return_lines', 'returns', 'return_policy_versions', 'return_policies', 'return_reasons',
            ] as $table
        ) {
            Schema::dropIfExists($table);
        }
    }
};
