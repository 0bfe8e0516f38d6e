<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * Something that is known, and that whoever will read the text is not to learn. A placeholder of it is filled by its fallback, as
 * where nothing is known. A choice must not answer the question in its stead (“not sent yet” where it has been sent): one that says
 * nothing unless it holds is left out, any other leaves a gap.
 */
enum Withheld
{
    /** Words, an amount or a day: asking whether they are there is asking whether they can be written. */
    case Text;
    /** Yes or no, or a number: asking for it is asking what is so. */
    case Fact;
}
