<?php

declare(strict_types=1);

namespace App\Demo;

use App\Checklists\Checklist;
use App\Inbox\Category;
use App\Inbox\Message;
use App\Inbox\Outcome;
use App\Team\Teammate;
use App\Templates\RecordTemplateUse;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Templates\UsedTemplate;
use App\Views\SharedWith;
use Illuminate\Support\Facades\DB;

/**
 * The demo store's prepared answers.
 */
final readonly class DemoTemplates
{
    public function __construct(private SaveTemplate $save, private RecordTemplateUse $record) {}

    public function load(): void
    {
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
        foreach (require database_path('seeders/demo-templates.php') as $name => [$folder, $categories, $steps, $texts]) {
            $this->save->save(null, new TemplateToSave(
                (string) $name,
                $folder,
                SharedWith::Everybody,
                null,
                array_map(static fn (string $text): array => ['subject' => null, 'text' => $text, 'html' => null], $texts),
                array_map(static fn (string $category): int => Category::query()->whereNotNull('parent_id')->where('name', $category)->firstOrFail()->id, $categories),
                array_map($this->step(...), $steps),
            ), $mads);
        }
    }

    /**
     * The answers that people gave count as given with the templates of their category, some with words changed.
     */
    public function countUses(): void
    {
        $messages = Message::query()->where('direction', Message::OUT)->where('automatic', false)->whereNotNull('teammate_id')->whereHas('conversation', static fn ($conversations) => $conversations->whereNotNull('category_id'))->with('conversation')->orderBy('id')->get();
        foreach ($messages as $number => $message) {
            $fitting = Template::query()->whereHas('categories', static fn ($categories) => $categories->whereKey($message->conversation->category_id))->where('folder', $message->public ? '=' : '!=', 'In public')->orderBy('id')->pluck('id');
            if ($fitting->isEmpty()) {
                continue;
            }
            $words = explode(' ', $message->text);
            $every = [0, 0, 9, 0, 3][$number % 5];
            $given = implode(' ', array_map(static fn (string $word, int $at): string => $every > 0 && $at % $every === 1 ? "{$word}n" : $word, $words, array_keys($words)));
            $this->record->record($message->conversation, $message, [new UsedTemplate((int) $fitting[intdiv($number, 2) % $fitting->count()], 'en', $given)]);
            DB::table('template_uses')->where('message_id', $message->id)->update(['at' => $message->sent_at ?? $message->received_at]);
            Template::query()->whereKey($fitting)->where('last_used_at', '>=', now()->subMinute())->toBase()->update(['last_used_at' => $message->sent_at ?? $message->received_at]);
        }
    }

    private function step(string $written): Step
    {
        [$do, $value] = explode('=', $written, 2);
        [$first, $rest] = [...explode(':', $value, 2), ''];

        return Step::of($do, match (true) {
            $do === 'then' && $rest !== '' => "{$first}:".Outcome::query()->where('name', $rest)->firstOrFail()->id,
            $do === 'checklist' => (string) Checklist::query()->where('name', $value)->firstOrFail()->id,
            default => $value,
        });
    }
}
