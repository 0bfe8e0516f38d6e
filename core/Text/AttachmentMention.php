<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Whether a text speaks of a file that goes along, in the languages that customers of a store in Europe
 * commonly write. For asking once more before an answer leaves without one.
 */
final class AttachmentMention
{
    private const PHRASES = [
        'attached', 'attachment', 'attachments', 'i attach', 'we attach', 'enclosed',
        'vedhæftet', 'vedhæfter', 'vedhæftede', 'bifogad', 'bifogar', 'bifogat', 'vedlagt', 'vedlegg',
        'im anhang', 'angehängt', 'anbei', 'beigefügt', 'ci-joint', 'ci-jointe', 'ci-joints', 'en pièce jointe', 'pièce jointe',
        'adjunto', 'adjunta', 'adjuntos', 'em anexo', 'anexo', 'in allegato', 'allegato', 'bijgevoegd', 'bijlage', 'in de bijlage',
        'pielikumā', 'pielikums', 'w załączniku', 'załącznik', 'v příloze', 'přiložen', 'liitteenä', '添付',
    ];

    /**
     * @param  string  $text  what was newly written, without earlier text
     * @return string|null the words that say so, as they are known; null where none do
     */
    public static function in(string $text): ?string
    {
        $folded = Folding::fold($text);
        foreach (self::PHRASES as $phrase) {
            if (FoldedPhrase::of($phrase)->isIn($folded)) {
                return $phrase;
            }
        }

        return null;
    }
}
