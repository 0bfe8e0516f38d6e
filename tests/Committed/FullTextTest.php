<?php

declare(strict_types=1);

use App\Search\IndexForSearch;
use Tests\App\Searches;

// The full-text index knows only what is committed.
it('finds the same by the full-text index as by going through the latest', function (): void {
    Searches::threeConversations();
    app(IndexForSearch::class)->run();
    foreach (
        [
            'sail', 'SAIL kestrel', 'grosse', 'ana@wren.example', 'wren.example', '返品', '"gift card"', '"card gift"', 'sail -gift',
            'sai', 'sail before:2026-11-23', 'nowhere', 'j.groesse',
        ] as $written
    ) {
        expect(Searches::subjects($written, latest: 0))->toBe(Searches::subjects($written), $written);
    }
    expect(Searches::subjects('sail', latest: 0))->toBe(['Gift card', 'Torn sail']);
});
