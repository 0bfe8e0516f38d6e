<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_posts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('account_id')->constrained('accounts');
            $table->foreignId('teammate_id')->constrained('teammates');
            $table->text('text');
            $table->string('state', 8);
            $table->string('outside_id', 191)->nullable()->charset('ascii')->collation('ascii_bin');
            $table->string('last_error', 1000)->nullable();
            $table->char('once_key', 64)->charset('ascii')->collation('ascii_bin')->unique();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
            $table->index(['created_at', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('own_posts');
    }
};
