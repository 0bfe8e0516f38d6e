<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Programs elsewhere that rules tell.
        Schema::create('hooks', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80);
            $table->string('address', 500);
            $table->text('secret');
            $table->string('last_error', 500)->nullable();
            $table->dateTime('last_error_at')->nullable();
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('hooks');
    }
};
