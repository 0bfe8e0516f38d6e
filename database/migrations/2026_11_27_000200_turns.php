<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// Who is away, and how a team gives out what comes in.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('teammates', function (Blueprint $table): void {
            $table->dateTime('away_from')->nullable();
            $table->dateTime('away_until')->nullable();
            $table->json('speaks')->nullable();
        });
        Schema::table('teams', function (Blueprint $table): void {
            $table->string('turns', 20)->nullable();
        });
        Schema::table('team_teammate', function (Blueprint $table): void {
            $table->unsignedSmallInteger('weight')->default(1);
            $table->unsignedSmallInteger('cap')->nullable();
            $table->integer('current')->default(0);
            $table->unsignedInteger('last_assigned')->nullable();
        });
    }
};
