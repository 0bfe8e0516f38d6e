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
        // What rules and reminders send is never changed before, and says nothing of what people choose.
        Schema::table('templates', fn (Blueprint $table) => $table->unsignedInteger('hand_uses')->default(0)->after('uses'));
        DB::statement(
            'UPDATE templates SET hand_uses = uses - LEAST(uses, (SELECT COUNT(*) FROM template_uses JOIN messages ON messages.id = '
                .'template_uses.message_id WHERE template_uses.template_id = templates.id AND messages.automatic = 1))'
        );
    }

    public function down(): void
    {
        Schema::table('templates', fn (Blueprint $table) => $table->dropColumn('hand_uses'));
    }
};
