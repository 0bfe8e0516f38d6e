<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Channel;
use App\Inbox\Conversation;
use App\Inbox\ConversationState;
use App\Ratings\RateConversation;
use App\Rules\RunRules;
use Carbon\CarbonImmutable;

/**
 * What the demo store's customers said of its answers, the earliest first; the latest of them is not pleased.
 */
final readonly class DemoRatings
{
    /** By the subject of the conversation. */
    private const SAID = [
        'Which line for the Merlin?' => [5, 'Answered within the hour, and I bought the right one.'],
        'Spring order, last carton' => [4, ''],
        'Change of address' => [5, 'Quick and friendly, thank you.'],
        'Customs on a kite to Norway' => [5, ''],
        'Swap slate for red' => [3, 'It took two mails until somebody read what I had written.'],
        'Do you still have the tail in plum?' => [5, 'They looked in the workshop for me.'],
        'Two parcels, one order' => [4, ''],
        'Spar split at the ferrule' => [5, 'The new ferrule came before the weekend.'],
        'Money back for cancelled order' => [4, 'Quick, only the invoice I had to find myself.'],
        'Shop page shows the wrong stock' => [5, ''],
        'Where do I send the return?' => [2, 'Kind people, but the address came only after I had asked twice.'],
    ];

    public function __construct(private RateConversation $rate, private RunRules $rules) {}

    public function load(): void
    {
        $rated = Conversation::query()->whereIn('state', [ConversationState::Resolved, ConversationState::Closed])->whereIn('channel', [Channel::Email, Channel::WebForm])
            ->whereNotNull('last_answered_at')->where('last_answered_at', '<', now()->subHours(30))->whereNull('joined_into_id')->orderBy('last_answered_at')->get();
        foreach ($rated as $conversation) {
            isset(self::SAID[$conversation->subject]) && $this->say($conversation, self::SAID[$conversation->subject]);
        }
    }

    /**
     * @param  array{int, string}  $said
     */
    private function say(Conversation $conversation, array $said): void
    {
        $timeBefore = CarbonImmutable::getTestNow();
        try {
            CarbonImmutable::setTestNow($conversation->last_answered_at?->addHours(26));
            $this->rate->rate($conversation, $said[0], $said[1]);
            $this->rules->run();
        } finally {
            CarbonImmutable::setTestNow($timeBefore);
        }
    }
}
