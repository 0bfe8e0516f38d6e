<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Everybody on the team reads and notes; those who write to customers answer and resolve. Where its category is for its members
 * alone, nobody else learns that it is there.
 */
final readonly class ConversationPolicy
{
    public function __construct(private WhoMayRead $whoMayRead) {}

    public function viewAny(Teammate $teammate): bool
    {
        return $teammate->may_sign_in;
    }

    public function view(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->may_sign_in, $teammate, $conversation);
    }

    public function note(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->may_sign_in, $teammate, $conversation);
    }

    public function take(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->may_sign_in, $teammate, $conversation);
    }

    public function hold(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->may_sign_in, $teammate, $conversation);
    }

    public function reply(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->role->answersCustomers(), $teammate, $conversation);
    }

    public function resolve(Teammate $teammate, ?Conversation $conversation = null): Response
    {
        return $this->where($teammate->role->answersCustomers(), $teammate, $conversation);
    }

    private function where(bool $may, Teammate $teammate, ?Conversation $conversation): Response
    {
        return match (true) {
            $conversation !== null && ! $this->whoMayRead->mayReadConversation($teammate->id, $conversation) => Response::denyAsNotFound(),
            $may => Response::allow(),
            default => Response::deny(),
        };
    }
}
