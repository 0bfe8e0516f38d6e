<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Services\CatchUp;
use App\Channels\Services\ConnectService;
use App\Channels\WebForm\FilledForm;
use App\Channels\WebForm\Form;
use App\Channels\WebForm\TakeForm;
use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Receiving\Calls\WriteDownCall;
use App\Sorting\Category;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Http;
use RuntimeException;

/**
 * Plays what customers do elsewhere: on the consoles of the simulated services, whose events are
 * then caught up with as on any day; in the web form; and on the telephone.
 */
final readonly class DemoOtherWays
{
    public function __construct(
        private WriteDownCall $writeDownCall,
        private TakeForm $takeForm,
        private ConnectService $connect,
    ) {}

    /**
     * Reads the shop's orders and the carrier's scans, before anybody writes about them.
     */
    public function readOrders(): void
    {
        foreach ([Channel::Shop, Channel::WrenParcel, Channel::Tollgate] as $channel) {
            $this->catchUp($channel);
        }
    }

    /**
     * Has every service tell us what happens from now on.
     */
    public function listen(): void
    {
        foreach (Account::query()->get()->filter(static fn (Account $account): bool => $account->channel->isService()) as $account) {
            $this->connect->check($account);
        }
    }

    /**
     * @param  array<string, mixed>  $story
     * @param  array<string, mixed>  $step
     * @return Conversation|null null where it is only listed
     */
    public function receive(array $story, array $step): ?Conversation
    {
        return match ($story['via']) {
            'telephone' => $this->writeDownCall->write(
                Teammate::query()->where('email', $story['with']['teammate'].'@brindle.example')->firstOrFail(),
                (string) $story['with']['who'],
                (string) $step['text'],
                hash('sha256', (string) $step['text']),
                Customer::query()->where('name', $story['with']['who'])->whereHas('orders')->first(),
            ),
            'form' => $this->form($story, (string) $step['text']),
            default => $this->onService(Channel::from((string) $story['via']), $story, (string) $step['text']),
        };
    }

    /**
     * @param  array<string, mixed>  $story
     */
    private function onService(Channel $channel, array $story, string $text): ?Conversation
    {
        $account = Account::query()->where('channel', $channel)->orderBy('id')->firstOrFail();
        $answer = Http::baseUrl((string) $account->settings['base_url'])->acceptJson()->asJson()
            ->post("/act/{$story['act']}", [...$story['with'], 'text' => $text, 'at' => CarbonImmutable::now()->toIso8601ZuluString()])
            ->throw();
        $id = $answer->json('entry.id') ?? $answer->json('id') ?? throw new RuntimeException(
            "{$channel->label()} did not take the demo's “{$text}”."
        );
        $this->catchUp($channel);

        return ChannelItem::query()->where('channel', $channel)->where('outside_id', $id)->firstOrFail()->conversation()->first();
    }

    /**
     * @param  array<string, mixed>  $story
     */
    private function form(array $story, string $text): Conversation
    {
        $form = Form::named('contact') ?? throw new RuntimeException('The demo has no web form.');
        $category = Category::query()->whereNotNull('parent_id')->where('name', $story['category'])->firstOrFail();
        $taken = $this->takeForm->take(
            $form, FilledForm::from([...$story['with'], 'category' => $category->id, 'text' => $text], $form), [],
            hash('sha256', $text), now()->getTimestamp() - 60, false
        );

        return Conversation::query()->findOrFail((int) substr($taken->number, 2));
    }

    private function catchUp(Channel $channel): void
    {
        foreach (Account::query()->where('channel', $channel)->pluck('id') as $id) {
            CatchUp::dispatchSync((int) $id);
        }
        $account = Account::query()->where('channel', $channel)->orderBy('id')->firstOrFail();
        if ($account->last_error !== null) {
            throw new RuntimeException("{$account->title()}: {$account->last_error}");
        }
    }
}
