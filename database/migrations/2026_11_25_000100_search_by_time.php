<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The documents lie in the order in which they were last added to, so that the latest are read in one go.
        // They are made anew from the journal.
        Schema::drop('search_documents');
        Schema::create('search_documents', function (Blueprint $table): void {
            $table->dateTime('said_at');
            $table->unsignedBigInteger('conversation_id');
            $table->mediumText('text')->collation('utf8mb4_bin');
            $table->primary(['said_at', 'conversation_id']);
            $table->unique('conversation_id');
            $table->fullText('text');
        });
        DB::table('store_settings')->where('name', 'search.indexed')->delete();
    }

    public function down(): void
    {
        Schema::drop('search_documents');
        Schema::create('search_documents', function (Blueprint $table): void {
            $table->unsignedBigInteger('conversation_id')->primary();
            $table->mediumText('text')->collation('utf8mb4_bin');
            $table->fullText('text');
        });
        DB::table('store_settings')->where('name', 'search.indexed')->delete();
    }
};
