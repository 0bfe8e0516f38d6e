<?php

declare(strict_types=1);

namespace App\Demo;

use App\Answering\AddNote;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Ratings\RateConversation;
use App\Sorting\Outcome;
use App\Team\Teammate;

/**
 * What the demo store's customers said of its answers, the earliest first; the latest of them is not pleased.
 */
final readonly class DemoRatings
{
    /** By the subject of the conversation; and where few stars were looked into, what the lead noted. */
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
        'Delivered where?' => [5, ''],
        'Hvor er min pakke?' => [5, 'Hurtigt svar.'],
        'Paket nicht angekommen' => [4, ''],
        'No parcel, no card in the letterbox' => [5, 'A second parcel in time for the birthday, without one question too many.'],
        'The box was empty' => [5, 'They believed me at once.'],
        'Still in the depot?' => [4, 'All well in the end, but three days of waiting in between.'],
        'Parcel at the wrong house' => [4, ''],
        'Tracking says delivered' => [5, ''],
        'Wrong house number' => [3, 'I had to sort it out with the carrier myself.'],
        'Ændring af adresse' => [
            2, 'Pakken var allerede sendt, og så måtte jeg selv ringe.',
            'Wren changes addresses until the first depot: from now on we ring them ourselves.',
        ],
        'Please send it to my office' => [
            2, 'So the answer was: ask somebody else.',
            'Fair. The carrier would have done it for us with one call; next time we call.',
        ],
        'Ferrule split on the second flight' => [5, ''],
        'Split spar' => [4, ''],
        'Merlin: ferrule cracked' => [5, 'Two hours from my mail to the parcel number.'],
        'Torn sail' => [5, 'I got to keep flying.'],
        'Reel handle broke off' => [4, ''],
        'Stab gebrochen' => [5, 'Sehr freundlich und schnell.'],
        'Ferrule splits' => [3, 'The third one I hear of. Why do you still sell them?'],
        'Seam open' => [5, ''],
        'Red instead of slate' => [4, ''],
        'Wrong tails' => [5, ''],
        'Strap missing' => [5, 'It was there. My fault, and still a kind answer.'],
        'No strap in the bag' => [3, 'Print it on the bag.'],
        'Ferrules missing' => [5, ''],
        'Which line for the Dunlin?' => [5, ''],
        'Line strength for two children' => [5, 'As if a neighbour had answered.'],
        'How strong a line?' => [4, ''],
        'Which spar fits the Kestrel 3?' => [5, ''],
        'Spar for an old Merlin' => [5, 'They knew my kite better than I do.'],
        'Return of the Kestrel' => [4, ''],
        'Sending one back' => [5, ''],
        'Returnering af drage' => [5, ''],
        'Return after six weeks' => [
            2, 'Unused, and still no.', 'Offered to take it back for store credit; they have given it away already.',
        ],
        'Return the repair tape?' => [
            1, 'Six euro, and I get a speech about thirty days.', 'Gave the 6.90 back. The text reads like a law; Ruta rewrites it.',
        ],
        'Where is my refund?' => [4, 'They made it good.'],
        'Invoice, please' => [5, ''],
        'Faktura mangler' => [4, ''],
        'Invoice for the club' => [5, ''],
        'Invoice without tax number' => [4, 'It should have been on it from the beginning.'],
        'My bicycle' => [5, 'I wrote to the wrong shop and they still helped.'],
    ];

    private const RATED_AFTER_HOURS = 26;

    private const LOOKED_AT_AFTER_HOURS = 46;

    public function __construct(private RateConversation $rate, private AddNote $addNote, private ChangeState $changeState) {}

    /**
     * @return list<array{int, array<string, mixed>}> what comes after the last answer: so many hours later, which step
     */
    public static function after(string $subject): array
    {
        $said = self::SAID[$subject] ?? null;
        if ($said === null) {
            return [];
        }
        $rated = [self::RATED_AFTER_HOURS, ['does' => 'rate', 'who' => 'mads', 'stars' => $said[0], 'text' => $said[1]]];

        return isset($said[2])
            ? [$rated, [self::LOOKED_AT_AFTER_HOURS, ['does' => 'look', 'who' => 'mads', 'text' => $said[2]]]]
            : [$rated];
    }

    public function rate(Conversation $conversation, int $stars, string $text): void
    {
        $this->rate->rate($conversation, $stars, $text);
    }

    /**
     * The lead looked at what went wrong.
     */
    public function look(Conversation $conversation, Teammate $lead, string $note, string $onceKey): void
    {
        $this->addNote->add($conversation, $lead, $note, $onceKey);
        $this->changeState->resolveUnchecked(
            $conversation->refresh(), Actor::teammate($lead),
            $conversation->outcome ?? Outcome::query()->orderBy('position')->firstOrFail()
        );
    }
}
