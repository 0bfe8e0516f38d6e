<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Support\Refused;

/**
 * Why a change is not possible as it was chosen, said to the person who chose it.
 */
final class ChangeRefused extends Refused
{
    public static function unknown(string $key): self
    {
        return new self('unknown', "“{$key}” is nothing that can be changed of a conversation.");
    }

    /**
     * @param  string  $what  with its article: “a category”
     * @param  string  $chosen  empty where nothing was chosen
     */
    public static function gone(string $what, string $chosen): self
    {
        return new self('gone', $chosen === '' ? "choose {$what}." : "choose {$what}; this one is not there any more.");
    }

    public static function personGone(string $chosen): self
    {
        return new self('person_gone', $chosen === '' ? 'choose a person.' : 'choose a person; this one is not in the team any more.');
    }

    public static function because(string $why): self
    {
        return new self('because', $why);
    }
}
