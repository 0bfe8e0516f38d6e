<?php

declare(strict_types=1);

namespace App\Templates;

use App\Support\Row;

/**
 * The text of a template in one language.
 *
 * @property int $template_id
 * @property string $language as BCP 47 has it
 * @property string|null $subject in place of the conversation's
 * @property string $text
 * @property string|null $html the same as rich text; null for plain text
 */
final class TemplateLanguage extends Row
{
    protected $table = 'template_languages';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = ['*'];
}
