<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * What goes along with an answer is kept by the keys of the catalogue of changes.
 */
return new class extends Migration
{
    private const KEYS = [
        'category' => 'set_category', 'priority' => 'set_priority', 'owner' => 'assign_person', 'team' => 'assign_team',
        'tag' => 'add_tag', 'untag' => 'remove_tag', 'field' => 'set_field',
    ];

    public function up(): void
    {
        $this->rename(self::KEYS);
    }

    public function down(): void
    {
        $this->rename(array_flip(self::KEYS));
    }

    /**
     * @param  array<string, string>  $keys
     */
    private function rename(array $keys): void
    {
        $renamed = static fn (array $steps): array => array_map(
            static fn (array $step): array => [...$step, 'do' => $keys[$step['do']] ?? $step['do']], $steps
        );
        DB::table('templates')->orderBy('id')->each(static fn (object $row) => DB::table('templates')->where('id', $row->id)->update([
            'steps' => json_encode($renamed((array) json_decode($row->steps, true)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        ]));
        foreach (DB::table('template_versions')->get(['template_id', 'version', 'content']) as $row) {
            $content = (array) json_decode($row->content, true);
            DB::table('template_versions')->where('template_id', $row->template_id)->where('version', $row->version)->update([
                'content' => json_encode(
                    [...$content, 'steps' => $renamed((array) ($content['steps'] ?? []))], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE
                ),
            ]);
        }
        // What was being written, or can still be called back or undone, names them as before.
        DB::table('drafts')->update(['details' => null]);
    }
};
