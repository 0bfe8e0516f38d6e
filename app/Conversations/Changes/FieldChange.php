<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetOwnField;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use Illuminate\Database\Eloquent\Builder;

/**
 * A field of the store’s own.
 */
final class FieldChange extends Change
{
    public function __construct(private readonly SetOwnField $set) {}

    public function key(): string
    {
        return 'set_field';
    }

    public function phrase(): string
    {
        return 'set the field';
    }

    public function group(): string
    {
        return 'Own fields';
    }

    public function text(): string
    {
        return 'the value';
    }

    public function choices(ChangeUse $use): array
    {
        return self::inUse()->pluck('name', 'word')->all();
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        $field = $things->all(self::inUse())->firstWhere('word', $chosen->value) ?? throw ChangeRefused::gone('a field', $chosen->value);
        try {
            $field->kind->read($chosen->text, $field->choices, $field->name);
        } catch (FieldRefused $why) {
            throw ChangeRefused::because($why->getMessage());
        }

        return "“{$field->name}” to ".($chosen->text === '' ? 'nothing' : $chosen->text);
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $field = self::inUse()->where('word', $chosen->value)->firstOrFail();
        $this->set->set($conversation, $field, $chosen->text, $actor, null, $why);
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return "set {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return [Reference::toField(About::Conversation, $chosen->value)];
    }

    public function records(): array
    {
        return [JournalKind::FieldChanged];
    }

    /**
     * @return Builder<OwnField>
     */
    private static function inUse(): Builder
    {
        return OwnField::inUse()->where('about', About::Conversation);
    }
}
