<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What a second person is asked to say yes or no to.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('approvals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('conversation_id')->constrained('conversations')->cascadeOnDelete();
            $table->string('question', 500);
            // Null: any lead or administrator.
            $table->foreignId('asked_of')->nullable()->constrained('teammates')->nullOnDelete();
            // Null: a rule asked.
            $table->foreignId('asked_by')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('state', 10)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('answered_by')->nullable()->constrained('teammates')->nullOnDelete();
            $table->string('answer', 500)->default('');
            $table->dateTime('asked_at');
            $table->dateTime('answered_at')->nullable();
            $table->index(['conversation_id', 'state']);
        });
    }
};
