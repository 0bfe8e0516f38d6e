<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('accounts', static function (Blueprint $table): void {
            // Whether mail to care+anything@ comes to care@, as a mail of our own has shown; and when one was sent to see.
            $table->boolean('takes_details')->default(false)->after('reading_attempts');
            $table->timestamp('details_tried_at')->nullable()->after('takes_details');
        });
    }

    public function down(): void
    {
        Schema::table('accounts', static fn (Blueprint $table) => $table->dropColumn(['takes_details', 'details_tried_at']));
    }
};
