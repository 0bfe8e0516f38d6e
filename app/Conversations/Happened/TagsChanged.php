<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class TagsChanged extends Payload
{
    /**
     * @param  list<Named>  $given
     * @param  list<Named>  $taken
     */
    public function __construct(public array $given, public array $taken) {}

    public static function kind(): JournalKind
    {
        return JournalKind::TagsChanged;
    }

    public function sentence(Told $told): string
    {
        $names = static fn (array $tags): string => implode(', ', array_map(static fn (Named $tag): string => $tag->name, $tags));
        $given = $this->given === [] ? '' : 'Tagged '.$names($this->given);
        $taken = $this->taken === [] ? '' : "tag {$names($this->taken)} taken away";

        return $told->by(implode(', ', array_filter([$given, $taken])));
    }
}
