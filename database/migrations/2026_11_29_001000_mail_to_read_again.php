<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('mail_to_read_again', static function (Blueprint $table): void {
            $table->foreignId('account_id')->constrained();
            $table->unsignedBigInteger('uid');
            $table->unsignedSmallInteger('attempts')->default(1);
            $table->dateTime('next_at');
            $table->primary(['account_id', 'uid']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('mail_to_read_again');
    }
};
