<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use App\Channels\Mail\SmtpSender;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Collection;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

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

    public function handle(SmtpSender $sender): void
    {
        $due = News::query()->whereNull('mailed_at')->whereNotNull('mail_due_at')->where('mail_due_at', '<=', now())
            // Whoever has left since is told nothing of the store any more.
            ->whereHas('teammate', static fn ($people) => $people->where('may_sign_in', true))
            ->with(['teammate', 'conversation'])->orderBy('id')->limit(500)->get();
        $account = $due->isEmpty()
            ? null
            : Account::query()->whereIn('channel', Channel::mail())->where('state', AccountState::Active)->orderBy('id')->first();
        if ($account === null) {
            return;
        }
        foreach ($due->groupBy('teammate_id') as $news) {
            $news = $news->take(self::AT_ONCE);
            $first = $news->first();
            if ($first === null) {
                continue;
            }
            try {
                $sender->sendOwn($account, $this->mail($account, $first->teammate, $news));
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
    private function mail(Account $account, Teammate $person, Collection $news): Email
    {
        $lines = $news->map(
            static fn (News $one): string => "- {$one->text}".(
                $one->conversation_id === null ? '' : "\n  ".url("/conversations/{$one->conversation_id}")
            )
        )->implode("\n\n");
        $email = (new Email)
            ->from(new Address($account->address, 'Cairnfield'))
            ->to(new Address($person->email, $person->name))
            ->subject(
                $news->count() === 1
                    ? 'Cairnfield: '.mb_substr((string) $news->first()?->text, 0, 120)
                    : "Cairnfield: {$news->count()} news"
            )
            ->text("{$lines}\n\nWhat you are told, and when, is chosen under ".url('/own-settings')."\n");
        // Nothing automatic may answer it in turn (RFC 3834, 3.1.7).
        $email->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');

        return $email;
    }
}
