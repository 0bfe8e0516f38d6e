<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // How often the next reminder has failed: it is tried again with pauses, then called off and told.
        Schema::table('nudges', fn (Blueprint $table) => $table->unsignedTinyInteger('failures')->default(0));
    }

    public function down(): void
    {
        Schema::table('nudges', fn (Blueprint $table) => $table->dropColumn('failures'));
    }
};
