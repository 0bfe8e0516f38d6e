// Writes core/Text/data/trigrams.php from the trigram profiles of the package `franc` (MIT), for
// the languages listed here: node bin/support/make-trigrams.js
import { writeFileSync } from 'node:fs';
import { data } from 'franc/data.js';

// ISO 639-1 by the code that the package uses (ISO 639-3), by script.
const LANGUAGES = {
    Latin: {
        eng: 'en', dan: 'da', swe: 'sv', nob: 'nb', deu: 'de', nld: 'nl', fra: 'fr', spa: 'es', por: 'pt', ita: 'it', lvs: 'lv',
        lit: 'lt', ekk: 'et', fin: 'fi', pol: 'pl', ces: 'cs', slk: 'sk', hun: 'hu', ron: 'ro', slv: 'sl', hrv: 'hr', tur: 'tr',
    },
    Cyrillic: { rus: 'ru', ukr: 'uk', bul: 'bg', srp: 'sr' },
    Arabic: { arb: 'ar', pes: 'fa', urd: 'ur' },
    Devanagari: { hin: 'hi', mar: 'mr' },
};

const quote = (text) => `'${text.replaceAll('\\', '\\\\').replaceAll("'", "\\'")}'`;
const profiles = Object.entries(LANGUAGES).map(([script, languages]) => {
    const lines = Object.entries(languages).map(([code, short]) => `        '${short}' => ${quote(data[script][code])},`);
    return `    '${script}' => [\n${lines.join('\n')}\n    ],`;
});

writeFileSync(new URL('../../core/Text/data/trigrams.php', import.meta.url), `<?php

declare(strict_types=1);

// The 300 most frequent trigrams of each language, the most frequent first, by script. Written by
// bin/support/make-trigrams.js from the profiles of the npm package franc 6.2.0 (MIT, Titus Wormer).

return [
${profiles.join('\n')}
];
`);
