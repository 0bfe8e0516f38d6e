<?php

declare(strict_types=1);

namespace App\Receiving\Happened;

use App\Channels\Channel;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;
use Carbon\CarbonImmutable;

final readonly class MessageReceived extends Payload
{
    /**
     * @param  string  $account  the address that it came to
     * @param  bool  $isFirst  whether the conversation began with it
     * @param  ConversationState|null  $before  the state that it ended; null where it changed none
     * @param  bool  $isNoWord  whether nobody waits because of it: a machine answered
     * @param  CarbonImmutable|null  $answerBy  until when the source wants an answer
     */
    public function __construct(
        public Channel $channel,
        public string $account,
        public bool $isFirst,
        public ?ConversationState $before,
        public bool $isNoWord = false,
        public ?CarbonImmutable $answerBy = null,
    ) {}

    public static function kind(): JournalKind
    {
        return JournalKind::MessageReceived;
    }

    public static function matters(): bool
    {
        return true;
    }

    public function sentence(Told $told): string
    {
        return 'The customer wrote';
    }
}
