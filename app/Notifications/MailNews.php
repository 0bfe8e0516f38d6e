<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Channels\DeliveryFailed;
use App\Channels\Mail\OwnMail;
use App\Sorting\WhoMayRead;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Collection;

/**
 * Sends people the news that they want by mail, all that is due in one. What could not be sent is tried
 * again. A job, since a mail server can be slow.
 */
final class MailNews implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    private const AT_ONCE = 50;

    public int $uniqueFor = 300;

    public function __construct()
    {
        $this->onQueue('outbox');
    }

    public function handle(OwnMail $mail, WhoMayRead $whoMayRead): void
    {
        $due = News::query()->whereNull('mailed_at')->whereNotNull('mail_due_at')->where('mail_due_at', '<=', now())
            // Whoever has left since is told nothing of the store any more.
            ->whereHas('teammate', static fn ($people) => $people->where('may_sign_in', true))
            ->with(['teammate', 'conversation'])->orderBy('id')->limit(500)->get();
        if ($due->isEmpty() || ! OwnMail::canBeSent()) {
            return;
        }
        foreach ($due->groupBy('teammate_id') as $news) {
            $news = $news->take(self::AT_ONCE);
            // What has been closed to them since.
            [$news, $unread] = $news->partition(static fn (News $one): bool => $one->conversation === null
                || $whoMayRead->mayReadConversation($one->teammate_id, $one->conversation));
            $unread->isEmpty() ?: News::query()->whereKey($unread->modelKeys())->update(['mailed_at' => now()]);
            $first = $news->first();
            if ($first === null) {
                continue;
            }
            try {
                $mail->send($first->teammate->email, $first->teammate->name, self::subject($news), self::text($news));
                News::query()->whereKey($news->modelKeys())->update(['mailed_at' => now()]);
            } catch (DeliveryFailed $failure) {
                report($failure);
                News::query()
                    ->whereKey($news->modelKeys())
                    ->update($failure->isFinal ? ['mailed_at' => now()] : ['mail_due_at' => now()->addMinutes(5)]);
            }
        }
    }

    /**
     * @param  Collection<int, News>  $news
     */
    private static function subject(Collection $news): string
    {
        return $news->count() === 1
            ? 'Cairnfield: '.mb_substr((string) $news->first()?->text, 0, 120)
            : "Cairnfield: {$news->count()} news";
    }

    /**
     * @param  Collection<int, News>  $news
     */
    private static function text(Collection $news): string
    {
        $lines = $news->map(
            static fn (News $one): string => "- {$one->text}".(
                $one->opens() === null ? '' : "\n  ".url($one->opens())
            )
        )->implode("\n\n");

        return "{$lines}\n\nWhat you are told, and when, is chosen under ".url('/own-settings')."\n";
    }
}
