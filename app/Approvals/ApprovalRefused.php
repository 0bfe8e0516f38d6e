<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Support\Refused;

final class ApprovalRefused extends Refused
{
    public static function noQuestion(): self
    {
        return new self('no_question', 'Write what is to be approved.');
    }

    public static function alreadyAsked(string $question): self
    {
        return new self('already_asked', "An approval is asked for already: “{$question}”. Withdraw it first, or wait for the answer.");
    }

    public static function closed(): self
    {
        return new self('closed', 'This conversation is closed for good: nothing in it can be approved any more.');
    }

    public static function alreadyAnswered(): self
    {
        return new self('already_answered', 'This was answered or withdrawn in the meantime.');
    }

    public static function oneself(): self
    {
        return new self('oneself', 'An approval needs a second person: choose somebody else.');
    }

    public static function mayNotApprove(string $name, string $role): self
    {
        return new self('may_not_approve', "{$name} ({$role}) approves nothing: ask a lead or an administrator.");
    }

    public static function nobodyReads(string $number): self
    {
        return new self(
            'nobody_reads',
            "There is no other lead or administrator who reads {$number}: its category is for its members alone. Let one of them in there."
        );
    }

    public static function nobodyElse(): self
    {
        return new self('nobody_else',
            'There is nobody else who could say yes to it: an administrator lets somebody in who can, under People.');
    }

    public static function whoAskedLeft(): self
    {
        return new self('who_asked_left', 'Who asked for it has left: open the worksheet, and give it back from there.');
    }

    /**
     * @param  string  $why  as `TellByTemplate` says it
     */
    public static function notTold(string $why): self
    {
        return new self(
            'not_told',
            'It is not asked yet: the customer cannot be told with that template, since '.lcfirst($why).'.', 'meanwhile'
        );
    }

    public static function needsReason(): self
    {
        return new self('needs_reason', 'Say why not, so that the others know how to go on.');
    }
}
