<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Channels\Channel;
use App\Companies\Company;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnFields;
use App\Sorting\ArrangeFields;

/**
 * What the demo store wants to know of each conversation, asked in its form.
 */
final readonly class DemoFields
{
    public const BROKE = 'It broke or tore';

    public function __construct(private ArrangeFields $fields, private OwnFields $values) {}

    public function load(): void
    {
        $field = $this->fields->make(
            About::Conversation, 'What happened', FieldKind::Choice,
            [self::BROKE, 'A part is missing', 'It is not what I ordered', 'It does not arrive'], false
        );
        $form = Account::query()->where('channel', Channel::WebForm)->firstOrFail();
        $form->forceFill(['settings' => [...$form->settings, 'fields' => "{$field->name}\n{$form->settings['fields']}"]])->save();
        $terms = $this->fields->make(About::Company, 'Payment', FieldKind::Choice, ['Thirty days', 'In advance'], false);
        foreach (Company::query()->where('name', 'Kite Barn')->get() as $company) {
            $this->values->keep($terms, $company->id, 'Thirty days');
        }
    }
}
