<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Support\HtmlString;

/**
 * Pieces of a text as HTML, those that were found marked. All of it is escaped.
 */
final class MarkedText
{
    /**
     * @param  list<array{string, bool}>  $pieces
     */
    public static function of(array $pieces): HtmlString
    {
        return new HtmlString(
            implode('', array_map(static fn (array $piece): string => $piece[1] ? '<mark>'.e($piece[0]).'</mark>' : e($piece[0]), $pieces))
        );
    }
}
