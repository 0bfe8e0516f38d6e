<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\DeliveryFailed;
use App\Channels\OutgoingMessage;

/**
 * A service that takes answers to its items.
 */
interface AnswersItems
{
    /**
     * @throws DeliveryFailed when there is nothing there that could be answered
     */
    public function answer(OutgoingMessage $message): ServiceRequest;
}
