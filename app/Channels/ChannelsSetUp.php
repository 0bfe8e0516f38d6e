<?php

declare(strict_types=1);

namespace App\Channels;

use App\Channels\Mail\UnreadableMail;
use App\Channels\Services\EventTrace;
use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final class ChannelsSetUp implements ContributesSetUpPages
{
    public function pages(): array
    {
        $active = static fn () => Account::query()->where('state', AccountState::Active);
        $kept = static fn (int $count): ?string => $count === 0 ? null : "{$count} to look at";

        return [
            new SetUpPage(
                SetUpGroup::Reach, 'Ways in', '/accounts', 'Mail, networks, marketplaces, forms, telephone, shop and carrier.',
                [
                    'email address', 'mailbox', 'password of a mailbox', 'signature', 'sender name', 'network', 'marketplace', 'web form',
                    'receipt', 'order numbers', 'API key', 'mentions', 'pause', 'disconnect',
                ],
                'administer',
                static fn (): string => $active()->count().' connected',
                static fn (): ?string => match (true) {
                    ($troubled = Account::troubled()->count()) > 0 => "{$troubled} in trouble",
                    $active()->doesntExist() => 'none is connected: nothing can arrive',
                    default => null,
                },
            ),
            new SetUpPage(
                SetUpGroup::Reach, 'On arrival', '/arrival', 'What is taken out of messages, and who is blocked.',
                ['card numbers', 'redaction', 'numbers taken out', 'blocked senders', 'junk'],
                'administer',
            ),
            new SetUpPage(
                SetUpGroup::Reach, 'Not taken', '/troubles', 'What services told us that could not be taken, with the reason.',
                ['webhook', 'events'],
                'administer',
                wants: static fn (): ?string => $kept(EventTrace::query()->where('state', EventTrace::KEPT)->count()),
            ),
            new SetUpPage(
                SetUpGroup::Reach, 'Unreadable mail', '/unreadable-mail', 'Mail that was set aside whole, with the reason.',
                ['too large', 'set aside'],
                'administer',
                wants: static fn (): ?string => $kept(UnreadableMail::query()->where('state', UnreadableMail::KEPT)->count()),
            ),
        ];
    }
}
