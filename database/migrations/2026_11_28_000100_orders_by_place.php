<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What rules offer as choices is read from what there is, by index. */
    private const COLUMNS = ['country', 'currency', 'marketplace'];

    public function up(): void
    {
        Schema::table('orders', function (Blueprint $table): void {
            foreach (self::COLUMNS as $column) {
                $table->index($column);
            }
        });
    }

    public function down(): void
    {
        Schema::table('orders', function (Blueprint $table): void {
            foreach (self::COLUMNS as $column) {
                $table->dropIndex([$column]);
            }
        });
    }
};
