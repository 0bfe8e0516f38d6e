<?php

declare(strict_types=1);

namespace Tests\App;

use App\Search\IndexForSearch;
use App\Search\Narrowings;
use App\Search\SearchConversations;
use Cairnfield\Core\Search\SearchQuery;
use Carbon\CarbonImmutable;

/**
 * Conversations to search in, and searching them as somebody.
 */
final class Searches
{
    /**
     * @return list<string> subjects, in the order in which they are found
     */
    public static function subjects(string $written, string $as = 'ilse', int $latest = 300): array
    {
        app(IndexForSearch::class)->run();
        $narrowings = app(Narrowings::class);
        [$rows, $problems] = (new SearchConversations($narrowings, $latest))->find(
            SearchQuery::read($written, $narrowings->keys()), test()->teammate($as)
        );

        return $problems !== [] ? $problems : $rows->pluck('subject')->all();
    }

    public static function threeConversations(): void
    {
        CarbonImmutable::setTestNow('2026-11-20T10:00:00Z');
        Mails::conversation(
            [
                'Subject' => 'Naht am Drachen', 'From' => 'Jürgen Größe <j.groesse@post.example>',
                'Content-Type' => 'text/plain; charset=utf-8',
            ],
            'Die Naht an der Segelkante ist gerissen.'
        );
        CarbonImmutable::setTestNow('2026-11-22T10:00:00Z');
        Mails::conversation(
            ['Subject' => 'Torn sail', 'From' => 'Ana Wrenfield <ana@wren.example>', 'Content-Type' => 'text/plain; charset=utf-8'],
            'The sail of my Kestrel tore along the seam. 商品を返品したい'
        );
        CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
        Mails::conversation(['Subject' => 'Gift card', 'From' => 'Bo Lind <bo@lind.example>'], 'Does a gift card pay for a sail?');
    }
}
