<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Conversation;

/**
 * Who knows of something that is still to be decided, before the customer is answered.
 */
interface HoldsAnswersBack
{
    /**
     * @return string|null what waits, in the words of whoever asked; null where nothing does
     */
    public function whatWaits(Conversation $conversation): ?string;
}
