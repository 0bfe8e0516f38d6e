<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('teams', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('teammates', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('email', 254)->unique();
            $table->string('password');
            $table->string('role', 20);
            $table->string('time_zone', 64)->default('UTC');
            $table->boolean('single_keys')->default(true);
            $table->boolean('may_sign_in')->default(true);
            $table->dateTime('queue_looked_at')->nullable();
            $table->rememberToken();
            $table->dateTime('created_at')->nullable();
            $table->dateTime('updated_at')->nullable();
        });
        Schema::create('team_teammate', function (Blueprint $table): void {
            $table->foreignId('team_id')->constrained('teams')->cascadeOnDelete();
            $table->foreignId('teammate_id')->constrained('teammates')->cascadeOnDelete();
            $table->primary(['team_id', 'teammate_id']);
            $table->index('teammate_id');
        });
    }

    public function down(): void
    {
        foreach (['team_teammate', 'teammates', 'teams'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
