<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mail;

/**
 * Whether a mail comes from whom it says, as a mail server that is believed has found. Nothing said is no case of it.
 */
enum SenderCheck: string
{
    /** Something that stands for the domain in From has vouched for it. */
    case Passed = 'passed';
    /** It was found not to come from there, or to have been changed on its way. */
    case Failed = 'failed';
}
