<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Companies with their people: whom mail from a known domain proposes, a person confirms.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('companies', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 200);
            $table->string('name_folded', 300)->index();
            $table->json('addresses');
            $table->foreignId('responsible_id')->nullable()->constrained('teammates')->nullOnDelete();
            $table->foreignId('merged_into_id')->nullable()->constrained('companies')->nullOnDelete();
            $table->timestamps();
        });
        Schema::create('company_domains', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained()->cascadeOnDelete();
            $table->string('domain', 190)->unique();
            $table->timestamps();
        });
        Schema::create('company_notes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained()->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained();
            $table->text('text');
            $table->timestamps();
        });
        Schema::create('company_proposals', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('company_id')->constrained()->cascadeOnDelete();
            $table->foreignId('customer_id')->constrained()->cascadeOnDelete();
            $table->string('state', 10);
            $table->timestamps();
            $table->unique(['customer_id', 'company_id']);
            $table->index(['company_id', 'state']);
        });
        Schema::create('company_merges', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('kept_id')->constrained('companies')->cascadeOnDelete();
            $table->foreignId('merged_id')->constrained('companies')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained();
            $table->json('moved');
            $table->json('given');
            $table->dateTime('at');
            $table->dateTime('undone_at')->nullable();
        });
        Schema::table('customers', static function (Blueprint $table): void {
            $table->foreignId('company_id')->nullable()->constrained()->nullOnDelete();
            $table->string('company_role', 120)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('customers', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('company_id');
            $table->dropColumn('company_role');
        });
        foreach (['company_merges', 'company_proposals', 'company_notes', 'company_domains', 'companies'] as $name) {
            Schema::dropIfExists($name);
        }
    }
};
