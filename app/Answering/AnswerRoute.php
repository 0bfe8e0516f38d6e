<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Conversations\Message;

/**
 * One way in which a conversation can be answered.
 */
final readonly class AnswerRoute
{
    /**
     * @param  string  $key  names it in a form
     * @param  string  $to  the recipient, as the channel knows them
     * @param  Message|null  $answers  the message that is answered; null where somebody is written to anew
     * @param  bool  $isStrange  a mail came from there, or asks for answers there, and nobody there has taken part yet
     */
    public function __construct(
        public string $key,
        public Account $account,
        public ItemKind $kind,
        public bool $public,
        public string $to,
        public ?Message $answers,
        public bool $isStrange = false,
    ) {}

    /**
     * How it is offered: `Answer in public, under the post`.
     */
    public function label(): string
    {
        if ($this->kind === ItemKind::Message) {
            return "Email to {$this->to}".($this->isStrange ? "{$this->whyStrange()}; nobody there has taken part" : '');
        }
        $how = match ($this->kind) {
            ItemKind::Post => 'in public, under the post',
            ItemKind::Comment => 'in public, under the comment',
            ItemKind::Direct => "by direct message to {$this->to}",
            ItemKind::Question => 'in public, on the listing',
            ItemKind::Rating => 'in public, under the rating (once)',
            default => 'by order message',
        };

        return "{$this->account->channel->label()}: {$how}";
    }

    public function describe(): string
    {
        return $this->kind === ItemKind::Message
            ? "from {$this->account->address} to {$this->to}".($this->isStrange ? $this->whyStrange() : '')
            : "from {$this->account->title()} ".match ($this->kind) {
                ItemKind::Post, ItemKind::Comment, ItemKind::Question, ItemKind::Rating => 'in public',
                default => "to {$this->to}",
            };
    }

    private function whyStrange(): string
    {
        return $this->answers !== null && mb_strtolower($this->answers->from_address) === mb_strtolower($this->to)
            ? ', who wrote here as well'
            : ', where their mail asks for answers';
    }
}
