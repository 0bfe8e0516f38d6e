<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\SenderHandle;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Message;
use App\Team\SignedIn;
use Cairnfield\Core\Mail\SenderCheck;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * A person says that a mail comes from whom it says, against what its server has found.
 */
final readonly class SenderController
{
    use ActsOnConversation;

    public function __construct(private FindOrAddCustomer $customers, private MergeCustomers $mergeCustomers) {}

    public function isSender(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $message = Message::query()
            ->where('conversation_id', $conversation->id)
            ->where('sender_check', SenderCheck::Failed)
            ->where('direction', Message::IN)
            ->orderByDesc('id')
            ->first();
        if ($message === null || ! str_contains($message->from_address, '@')) {
            throw ConversationRefused::senderNotDoubted();
        }
        $teammate = SignedIn::teammate($request);
        $sender = SenderHandle::email($message->from_address, $message->from_name);
        $customer = $conversation->customer()->firstOrFail();
        $known = $this->customers->known($sender);
        if ($known === null) {
            $this->customers->addHandle($customer, $sender, "confirmed by {$teammate->name}");
        } elseif ($known->id !== $customer->id) {
            $this->mergeCustomers->merge($known, $customer, $teammate);
        }

        return $this->done($conversation, "It is taken to be from {$sender->shown} now.");
    }
}
