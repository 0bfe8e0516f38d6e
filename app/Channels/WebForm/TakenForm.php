<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

/**
 * What became of a filled form.
 */
final readonly class TakenForm
{
    /**
     * @param  string  $number  of the conversation
     * @param  bool  $hasReceipt  whether a copy of it is on its way: not to an address that has had many, nor for junk
     */
    public function __construct(public string $number, public bool $hasReceipt) {}
}
