<?php

declare(strict_types=1);

namespace App\Demo;

use App\Answering\AddNote;
use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Mail\TakeMail;
use App\Companies\Company;
use App\Companies\PutIntoCompany;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\PlaceInQueue;
use App\Conversations\SetCategory;
use App\Conversations\TakeConversation;
use App\Hours\StoreHours;
use App\Orders\Order;
use App\Promises\TellPromises;
use App\Rules\RunRules;
use App\Rules\SweepTimeTriggers;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use RuntimeException;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * Plays the demo conversations: each step is done at its own time by the same actions that people
 * use, so that messages, journal and outbox are what they would be had it happened.
 */
final class DemoConversations
{
    /** Rules that run with time look more often than this; for what is long past it is near enough. */
    private const SWEPT_EVERY_MINUTES = 60;

    /** @var array<string, Conversation> by the key of the story */
    private array $conversations = [];

    private CarbonImmutable $loadedAt;

    public function __construct(
        private readonly TakeMail $takeMail,
        private readonly DemoAnswers $answers,
        private readonly DemoRatings $ratings,
        private readonly AddNote $addNote,
        private readonly TakeConversation $take,
        private readonly AssignConversation $assign,
        private readonly ChangeState $changeState,
        private readonly SetCategory $setCategory,
        private readonly RunRules $rules,
        private readonly SweepTimeTriggers $clock,
        private readonly StoreHours $hours,
        private readonly DemoOtherWays $otherWays,
        private readonly TellPromises $promises,
        private readonly PlaceInQueue $place,
        private readonly PutIntoCompany $companies,
    ) {
        $this->loadedAt = CarbonImmutable::now();
    }

    /**
     * @param  bool  $onServices  whether to play what happens on networks and marketplaces, which must be there for it
     * @param  bool  $withPast  whether to play the two months before, too
     * @return int how many conversations there are now
     */
    public function load(bool $onServices = true, bool $withPast = true): int
    {
        // Delivered as they are sent, so that the customers' mailboxes hold the answers.
        config(['queue.default' => 'sync', 'cairnfield.outbox.call_back_seconds' => 0]);
        $timeBefore = CarbonImmutable::getTestNow();
        $sweptAt = null;
        try {
            foreach ($this->stepsInOrder($onServices, $withPast) as [$at, $key, $story, $step]) {
                CarbonImmutable::setTestNow($at);
                if ($sweptAt === null || $sweptAt->diffInMinutes($at) >= self::SWEPT_EVERY_MINUTES) {
                    $this->promises->tell();
                    $this->clock->sweep();
                    $sweptAt = $at;
                }
                $this->play($key, $story, $step);
                $this->rules->run();
            }
        } finally {
            CarbonImmutable::setTestNow($timeBefore);
        }

        // As the clock would by now.
        $this->promises->tell();
        $this->place->moveOn();

        return Conversation::query()->count();
    }

    /**
     * @return list<array{CarbonImmutable, string, array<string, mixed>, array<string, mixed>}>
     */
    private function stepsInOrder(bool $onServices, bool $withPast): array
    {
        $steps = [];
        $past = $withPast ? require database_path('seeders/demo-history.php') : [];
        foreach ([...require database_path('seeders/demo-conversations.php'), ...$past] as $index => $story) {
            if (! $onServices && (isset($story['order']) || Channel::tryFrom((string) ($story['via'] ?? ''))?->isService() === true)) {
                continue;
            }
            $story = isset($story['order']) ? $this->byBuyer($story) : $story;
            $latest = $answered = null;
            foreach ($story['steps'] as $step) {
                $at = $this->time($step['at']);
                // Within a story the order given is the order of time, whatever the hours of today.
                $at = $latest !== null && $at <= $latest ? $latest->addMinutes(4) : $at;
                $latest = $at->min($this->loadedAt->subSecond());
                $steps[] = [$latest, "story-{$index}", $story, $step];
                $answered = $step['does'] === 'close' ? $answered : $latest;
            }
            foreach (DemoRatings::after((string) ($story['subject'] ?? '')) as [$hours, $step]) {
                $at = $answered?->addHours($hours);
                $at === null || $at >= $this->loadedAt ?: $steps[] = [$at, "story-{$index}", $story, [...$step, 'at' => "+{$hours}"]];
            }
        }
        usort($steps, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $steps;
    }

    /**
     * @param  array<string, mixed>  $story
     * @return array<string, mixed>
     */
    private function byBuyer(array $story): array
    {
        $order = Order::query()->where('number', $story['order'])->whereNotNull('email')->firstOrFail();
        if (isset($story['via'])) {
            return [...$story, 'with' => ['name' => $order->buyer_name, 'email' => (string) $order->email, 'order' => $order->number]];
        }

        return [...$story, 'name' => $order->buyer_name, 'from' => (string) $order->email];
    }

    /**
     * `worked:70` is 70 minutes of the store's hours ago; `2d 09:40` two days ago at that time in
     * the store's zone.
     */
    private function time(string $at): CarbonImmutable
    {
        if (str_starts_with($at, 'worked:')) {
            return $this->workedAgo((int) substr($at, 7) * 60);
        }
        if (preg_match('/^(\d+)d (\d\d):(\d\d)$/', $at, $part) !== 1) {
            throw new RuntimeException("The demo time '{$at}' cannot be read.");
        }

        return $this->loadedAt->setTimezone((string) config('cairnfield.store.time_zone'))
            ->subDays((int) $part[1])->setTime((int) $part[2], (int) $part[3])->utc();
    }

    private function workedAgo(int $seconds): CarbonImmutable
    {
        $low = 0;
        $high = 40 * 86_400;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->hours->openBetween($this->loadedAt->subSeconds($middle), $this->loadedAt) < $seconds) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $this->loadedAt->subSeconds($high);
    }

    /**
     * @param  array<string, mixed>  $story
     * @param  array<string, mixed>  $step
     */
    private function play(string $key, array $story, array $step): void
    {
        $does = (string) $step['does'];
        if ($does === 'in') {
            $this->receive($key, $story, $step);

            return;
        }
        $conversation = $this->conversations[$key]->refresh();
        $teammate = Teammate::query()->where('email', $step['who'].'@brindle.example')->firstOrFail();
        $actor = Actor::teammate($teammate);
        match ($does) {
            'out' => $this->answers->inOwnWords(
                $conversation, $teammate, (string) $step['text'], $this->outcome($step['outcome'] ?? null), $this->uuid($key, $step)
            ),
            'with' => $this->answers->withTemplate(
                $conversation, $teammate, (string) $step['template'], $this->outcome($step['outcome']), $step['changed'],
                $this->uuid($key, $step)
            ),
            'rate' => $this->ratings->rate($conversation, (int) $step['stars'], (string) $step['text']),
            'look' => $this->ratings->look($conversation, $teammate, (string) $step['text'], $this->uuid($key, $step)),
            'note' => $this->addNote->add($conversation, $teammate, (string) $step['text'], $this->uuid($key, $step)),
            'take' => $this->take->take($conversation, $teammate),
            'give' => $this->assign->assign(
                $conversation, Teammate::query()->where('email', $step['to'].'@brindle.example')->firstOrFail(), $actor
            ),
            'hold' => $this->changeState->hold(
                $conversation, $actor, (string) $step['text'], $this->loadedAt->addDays((int) $step['days'])->setTime(8, 0)
            ),
            'resolve' => $this->changeState->resolveUnchecked(
                $conversation, $actor,
                $this->outcome((string) $step['outcome']) ?? throw new RuntimeException('A demo story is resolved as nothing.')
            ),
            'of' => $this->companies->put(
                $conversation->customer, Company::query()->where('name', $step['company'])->firstOrFail(), (string) $step['role'], $teammate
            ),
            'close' => $this->changeState->close($conversation, $actor),
            default => throw new RuntimeException("The demo step '{$does}' is not known."),
        };
    }

    /**
     * @param  array<string, mixed>  $story
     * @param  array<string, mixed>  $step
     */
    private function receive(string $key, array $story, array $step): void
    {
        // Who filled the form in goes on by mail, with the answer to it.
        $goesOnByMail = ($story['via'] ?? '') === 'form' && ($step['again'] ?? false);
        if (isset($story['via']) && ! $goesOnByMail) {
            $this->settle($key, $story, $this->otherWays->receive($story, $step));

            return;
        }
        $story = $goesOnByMail
            ? [
                ...$story, 'from' => $story['with']['email'], 'name' => $story['with']['name'],
                'subject' => $this->conversations[$key]->subject,
            ]
            : $story;
        $address = ($story['to'] ?? 'care').'@brindle.example';
        $email = (new Email)
            ->from(new Address($story['from'], $story['name']))
            ->to($address)
            ->subject(($step['again'] ?? false) ? 'Re: '.$story['subject'] : $story['subject'])
            ->date(CarbonImmutable::now())
            ->text((string) $step['text']);
        $email->getHeaders()->addIdHeader('Message-ID', $this->uuid($key, $step).'@'.Str::after($story['from'], '@'));
        foreach ($step['headers'] ?? [] as $name => $value) {
            $email->getHeaders()->addTextHeader($name, $value);
        }
        if (isset($step['html'])) {
            $email->html((string) $step['html']);
        }
        foreach ($step['pictures'] ?? [] as $name) {
            $email->attach($this->picture($name), $name, 'image/jpeg');
        }
        $last = isset($this->conversations[$key]) ? $this->conversations[$key]->messages()->orderByDesc('id')->first() : null;
        if ($last instanceof Message) {
            $email->getHeaders()->addTextHeader('In-Reply-To', "<{$last->message_id}>");
            $email->getHeaders()->addTextHeader('References', trim("<{$last->message_id}>"));
        }
        $taken = $this->takeMail->take($email->toString(), Account::query()->where('address', $address)->firstOrFail());
        $outcome = $taken->outcome ?? throw new RuntimeException(
            "The demo message '{$story['subject']}' could not be read: {$taken->reason}"
        );
        $this->settle($key, $story, Conversation::query()->findOrFail($outcome->conversation));
    }

    /**
     * @param  array<string, mixed>  $story
     * @param  Conversation|null  $conversation  null where something is only listed
     */
    private function settle(string $key, array $story, ?Conversation $conversation): void
    {
        if ($conversation === null) {
            return;
        }
        $isFirst = ! isset($this->conversations[$key]);
        $this->conversations[$key] = $conversation;
        if ($isFirst && isset($story['category']) && $conversation->category_id === null) {
            $this->setCategory->set(
                $conversation, Category::query()->whereNotNull('parent_id')->where('name', $story['category'])->firstOrFail(),
                Actor::application()
            );
        }
    }

    private function outcome(?string $name): ?Outcome
    {
        return $name === null ? null : Outcome::query()->where('name', $name)->firstOrFail();
    }

    /**
     * The same for the same step on every load.
     *
     * @param  array<string, mixed>  $step
     */
    private function uuid(string $key, array $step): string
    {
        $hash = md5("{$key} {$step['does']} {$step['at']} ".($step['text'] ?? ''));

        return substr($hash, 0, 8).'-'.substr($hash, 8, 4).'-4'.substr($hash, 13, 3).'-8'.substr($hash, 17, 3).'-'.substr($hash, 20, 12);
    }

    /**
     * A made-up photo: a split spar before the sky.
     */
    private function picture(string $name): string
    {
        $image = imagecreatetruecolor(640, 420);
        if ($image === false) {
            throw new RuntimeException('The demo pictures could not be drawn.');
        }
        for ($y = 0; $y < 420; $y++) {
            imageline($image, 0, $y, 640, $y, (int) imagecolorallocate($image, 150 + intdiv($y, 6), 180 + intdiv($y, 8), 215));
        }
        $spar = (int) imagecolorallocate($image, 40, 42, 46);
        $split = (int) imagecolorallocate($image, 205, 200, 190);
        $slope = crc32($name) % 60;
        imagesetthickness($image, 16);
        imageline($image, 20, 300 - $slope, 310, 220, $spar);
        imageline($image, 335, 206, 620, 90 + $slope, $spar);
        imagesetthickness($image, 4);
        foreach ([0, 9, 18] as $offset) {
            imageline($image, 296 + $offset, 232 - $offset, 350 + $offset, 190 + $offset, $split);
        }
        ob_start();
        imagejpeg($image, null, 82);

        return (string) ob_get_clean();
    }
}
