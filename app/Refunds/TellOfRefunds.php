<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Answering\AnswerRoutes;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\CameInBetween;
use App\Conversations\ConversationRefused;
use App\CreditNotes\CreditNote;
use App\Fields\FieldRefused;
use App\Support\FileStore;
use App\Templates\FilledTemplate;
use App\Templates\FillTemplate;
use App\Templates\Template;
use App\Templates\TemplateFile;
use App\Templates\Unattended;
use App\Templates\UsedTemplate;
use App\Workspace\Trail;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/**
 * Tells the customer of a refund with the template that was chosen: at once, or when the money is through, with the credit note. In the
 * name of who gave it back, and once. What cannot be said so is said at the refund.
 */
final class TellOfRefunds implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public const WHEN_ASKED = 'asked';

    public const WHEN_DONE = 'done';

    private const AT_ONCE = 50;

    public int $tries = 1;

    public function __construct()
    {
        $this->onQueue('outbox');
    }

    public function handle(FillTemplate $fill, AnswerRoutes $routes, SendReply $send, Trail $trail, FileStore $files): void
    {
        $due = Refund::query()->whereNotNull('tell_next_at')->where('tell_next_at', '<=', now())
            ->with(['conversation', 'teammate'])->orderBy('tell_next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $refund) {
            if (! DueRow::claim($refund, 'tell_next_at')) {
                continue;
            }
            $why = $this->tell($refund, $fill, $routes, $send, $trail, $files);
            Refund::query()->whereKey($refund->id)
                ->update(['tell_next_at' => null, 'told_at' => $why === null ? now() : null, 'tell_why' => $why]);
        }
    }

    /**
     * @return string|null why the customer was not told
     */
    private function tell(
        Refund $refund, FillTemplate $fill, AnswerRoutes $routes, SendReply $send, Trail $trail, FileStore $files
    ): ?string {
        $template = Template::query()->with(['languages', 'files'])->find($refund->tell_template_id);
        $conversation = $refund->conversation;
        $route = $conversation === null ? null : $routes->of($conversation)[0] ?? null;
        if ($template === null || $conversation === null || $refund->teammate === null || $route === null || $route->public) {
            return 'there is no way left to tell the customer by itself';
        }
        $unattended = Unattended::by($route, $conversation, true);
        $filled = $fill->fill($template, $conversation, $refund->teammate, $unattended);
        if ($filled->gaps !== []) {
            return "“{$filled->gaps[0]->name}” of “{$template->name}” could not be filled";
        }
        [$then, $outcome] = $filled->then();
        try {
            $send->send($conversation, $refund->teammate, new ReplyToSend(
                $filled->text, [...self::filesOf($filled), ...self::creditNote($refund, $files)], $then, $outcome, "refund-{$refund->id}",
                $trail->lastSeen($conversation), $route->key, 0, html: $filled->html, steps: $filled->stepsBut('assign_person'),
                templates: [new UsedTemplate($template->id, $filled->language, $filled->text)], subject: $filled->subject
            ));
        } catch (ConversationRefused|FieldRefused|CameInBetween $why) {
            return mb_substr($why->getMessage(), 0, 300);
        }

        return null;
    }

    /**
     * @return list<array{name: string, type: string, size: int, sha256: string, file: string}>
     */
    private static function filesOf(FilledTemplate $filled): array
    {
        return array_values($filled->template->files->map(static fn (TemplateFile $file): array => $file->forDraft())->all());
    }

    /**
     * @return list<array{name: string, type: string, size: int, sha256: string, file: string}>
     */
    private static function creditNote(Refund $refund, FileStore $files): array
    {
        $note = $refund->tell_when !== self::WHEN_DONE ? null : CreditNote::query()->where('refund_id', $refund->id)->whereNotNull('file')
            ->where('takes_back', false)->orderByDesc('number')->first();

        return $note === null ? [] : [[
            'name' => "{$note->title()}.pdf", 'type' => 'application/pdf', 'size' => strlen($files->read((string) $note->file)),
            'sha256' => (string) $note->sha256, 'file' => (string) $note->file,
        ]];
    }
}
