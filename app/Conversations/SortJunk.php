<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Channels\BlockedSender;
use App\Channels\BlockList;
use App\Conversations\Happened\Junked;
use App\Conversations\Happened\NotJunk;
use App\Conversations\Journal\Journal;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Puts a conversation with the junk by hand, or takes it back from there.
 */
final readonly class SortJunk
{
    public function __construct(
        private Journal $journal, private BlockList $blockList, private ChangeState $state
    ) {}

    /**
     * @param  string|null  $block  `sender` puts them on the block list, `domain` everybody there
     */
    public function junk(Conversation $conversation, Teammate $teammate, ?string $block): void
    {
        DB::transaction(function () use ($conversation, $teammate, $block): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if (! $locked->junk) {
                $locked->forceFill(['junk' => true, 'junk_reasons' => ["put there by {$teammate->name}"]]);
                $this->journal->record($locked, new Junked, Actor::teammate($teammate));
                $this->state->junk($locked, Actor::teammate($teammate));
            }
            foreach ($block === null ? [] : $this->senders($locked, $block === 'domain') as $sender) {
                BlockedSender::query()->createOrFirst($sender, ['teammate_id' => $teammate->id]);
            }
        });
    }

    /**
     * It is our turn again, counted from now; the sender is on the block list no more.
     */
    public function takeBack(Conversation $conversation, Teammate $teammate): void
    {
        DB::transaction(function () use ($conversation, $teammate): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $locked->forceFill(['junk' => false, 'junk_reasons' => null]);
            foreach ([...$this->senders($locked, false), ...$this->senders($locked, true)] as $sender) {
                BlockedSender::query()->where($sender)->delete();
            }
            $this->blockList->readAgain();
            $this->journal->record($locked, new NotJunk, Actor::teammate($teammate));
            $this->state->set(
                $locked, ConversationState::Open, Actor::teammate($teammate), ['waiting_since' => now()], 'taken back from the junk'
            );
        });
    }

    /**
     * @return list<array{kind: string, value: string}>
     */
    private function senders(Conversation $conversation, bool $domains): array
    {
        $kind = $conversation->channel->handleKind();

        return array_values($conversation->messages()->where('direction', Message::IN)->distinct()->pluck('from_address')
            ->map(static fn (string $address): string => mb_strtolower($address))
            ->filter(static fn (string $address): bool => $address !== '' && (! $domains || str_contains($address, '@')))
            ->map(static fn (string $address): array => $domains
                ? ['kind' => BlockedSender::DOMAIN, 'value' => Str::after($address, '@')]
                : ['kind' => $kind, 'value' => $address])
            ->all());
    }
}
