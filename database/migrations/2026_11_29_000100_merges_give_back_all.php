<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What the customer who was kept got of the other besides what was moved, so that undoing takes it back.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customer_merges', static function (Blueprint $table): void {
            $table->json('given')->nullable()->after('moved');
        });
    }

    public function down(): void
    {
        Schema::table('customer_merges', static function (Blueprint $table): void {
            $table->dropColumn('given');
        });
    }
};
