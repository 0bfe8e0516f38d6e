<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * Reaches what is outside for an account.
 */
interface Connection
{
    /**
     * Begins to hear what happens there.
     *
     * @return string what was found, for the person who asked
     *
     * @throws NotConnected
     */
    public function begin(Account $account): string;

    /**
     * Signs in there, to see whether the settings are right.
     *
     * @return string what was found, for the person who asked
     *
     * @throws NotConnected
     */
    public function check(Account $account): string;

    /**
     * Reads what has come since it last did.
     */
    public function goOn(Account $account): void;

    /**
     * Its settings were changed: it may be another place now.
     */
    public function changed(Account $account): void;

    public function end(Account $account): void;
}
