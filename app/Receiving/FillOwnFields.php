<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\ReceivedMessage;
use App\Channels\RedactArrival;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\SetOwnField;
use App\Fields\FieldRefused;
use App\Fields\OwnFields;
use Cairnfield\Core\Text\Folding;

/**
 * Puts what was written by the name of one of the store's own fields into that. What does not fit stands in the text all the same.
 */
final readonly class FillOwnFields
{
    public function __construct(private SetOwnField $setOwnField, private RedactArrival $redact) {}

    public function from(ReceivedMessage $received, Conversation $conversation): void
    {
        $fields = $received->fields === [] ? [] : OwnFields::ofConversations();
        foreach ($received->fields as $name => $value) {
            $field = $fields[Folding::fold((string) $name)] ?? null;
            $taken = [];
            try {
                $field === null ?: $this->setOwnField->set(
                    $conversation, $field, $this->redact->text($value, $taken), Actor::customer(), null, 'in the form'
                );
            } catch (FieldRefused) {
                continue;
            }
        }
    }
}
