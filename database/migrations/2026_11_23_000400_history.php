<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('conversations', function (Blueprint $table): void {
            // Taken over from elsewhere: no promise ever ran for it.
            $table->foreignId('history_import_id')->nullable()->constrained('history_imports');
        });
        // Which conversation the parts of one in a file went into.
        Schema::create('history_parts', function (Blueprint $table): void {
            $table->foreignId('account_id')->constrained('accounts');
            $table->char('part', 64)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('conversation_id')->constrained('conversations');
            $table->primary(['account_id', 'part']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('history_parts');
        Schema::table('conversations', fn (Blueprint $table) => $table->dropConstrainedForeignId('history_import_id'));
    }
};
