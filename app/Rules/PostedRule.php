<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\ConditionForm;
use App\Conditions\UnknownField;
use Cairnfield\Core\Rules\RulesRefused;
use Cairnfield\Core\Rules\Way;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as Valid;
use Illuminate\Validation\ValidationException;

/**
 * A rule as it stands in the form: to be shown again as it was written, or to be kept or tried out.
 */
final readonly class PostedRule
{
    public function __construct(private Request $request, private ConditionForm $form) {}

    /**
     * @param  string|null  $name  where it needs none yet
     *
     * @throws RuleRefused|RulesRefused|UnknownField|ValidationException
     */
    public function toSave(?string $name = null): RuleToSave
    {
        $written = $this->request->validate([
            'name' => [$name === null ? 'required' : 'nullable', 'string', 'max:120'],
            'way' => ['required', Valid::enum(Way::class)],
            'changed_by' => ['required', Valid::enum(ChangedBy::class)],
            'notes' => ['nullable', 'string', 'max:5000'],
        ]);
        $clock = $this->clock();

        return new RuleToSave(
            (string) ($written['name'] ?? $name),
            Way::from($written['way']),
            array_values(array_filter(array_map(RuleEvent::tryFrom(...), $this->events()))),
            $this->form->condition($this->condition()),
            PostedActions::chosen($this->actions()),
            (string) ($written['notes'] ?? ''),
            ChangedBy::from($written['changed_by']),
            ($clock['since'] ?? '') === '' ? null : TimeTrigger::of($clock),
            $this->request->integer('seen') ?: null,
        );
    }

    /**
     * @return array<string, mixed> the group, as ConditionForm has it
     */
    public function condition(): array
    {
        return $this->form->posted($this->request->input('condition'));
    }

    /**
     * @return array<string, mixed>
     */
    public function clock(): array
    {
        $clock = $this->request->input('clock');

        return is_array($clock)
            ? array_map(
                static fn (mixed $value): mixed => is_array($value) ? array_values(array_filter($value, is_string(...))) : $value,
                $clock
            )
            : [];
    }

    /**
     * @return list<array<string, string>>
     */
    public function actions(): array
    {
        return PostedActions::read($this->request->input('actions'));
    }

    /**
     * @param  string  $do  one action more or less
     * @return list<array<string, string>>
     */
    public function actionsAfter(string $do): array
    {
        return PostedActions::after($this->actions(), $do);
    }

    /**
     * @return list<string>
     */
    public function events(): array
    {
        return array_values(
            array_filter(
                (array) $this->request->input('events'),
                static fn (mixed $event): bool => is_string($event) && RuleEvent::tryFrom($event) !== null
            )
        );
    }
}
