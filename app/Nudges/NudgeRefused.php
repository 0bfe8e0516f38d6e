<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Support\Refused;

/**
 * Why a nudge plan cannot be kept or go on.
 */
final class NudgeRefused extends Refused
{
    public static function templateGone(string $plan): self
    {
        return new self('template_gone', "a template of the nudge plan “{$plan}” is not there any more");
    }

    public static function unfilled(string $template, string $placeholder): self
    {
        return new self('unfilled', "the template “{$template}” needs {{ {$placeholder} }}, of which nothing is known here");
    }

    public static function noWay(): self
    {
        return new self('no_way', 'there is no way to write without somebody choosing one');
    }

    public static function nobody(): self
    {
        return new self('nobody', 'who wrote has left the team, and there is nobody to write in their place');
    }
}
