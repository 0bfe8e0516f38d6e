<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Changes\Change;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Sorting\Outcome;
use App\Support\Written;
use Illuminate\Http\Request;

/**
 * Steps in a form: those there are as ticks, and one more to choose, some with a text of their own.
 */
final class StepChoices
{
    public function __construct(private readonly Changes $changes) {}

    /**
     * @return array<string, array<string, string>> by group, `key=value` and its label
     */
    public function all(): array
    {
        $choices = ['State afterwards' => [
            'then=waiting' => 'Waiting on customer', 'then=open' => 'stays Open',
            ...Outcome::inUse()->get()->mapWithKeys(
                static fn (Outcome $outcome): array => ["then=resolved:{$outcome->id}" => "Resolved, {$outcome->name}"]
            )->all(),
            'hold=' => 'hold for working hours | who must act first …',
        ]];
        foreach ($this->changes->offeredTo(ChangeUse::Step) as $key => $change) {
            $choices[$change->group()] = [...$choices[$change->group()] ?? [], ...$this->of($key, $change)];
        }

        return [...$choices, 'Copies' => ['cc=' => 'Cc …', 'bcc=' => 'Bcc …']];
    }

    /**
     * The ticked ones, and the one that was chosen in addition.
     *
     * @return list<Step>
     *
     * @throws TemplateProblem
     */
    public function read(Request $request): array
    {
        return Step::all($this->written($request));
    }

    /**
     * As `read`, but what is not possible is told instead of refused.
     *
     * @return array{list<Step>, list<string>}
     */
    public function kept(Request $request): array
    {
        return Step::possible($this->written($request));
    }

    /**
     * @return list<array{do: string, value: string}>
     */
    private function written(Request $request): array
    {
        $written = array_filter((array) $request->input('steps'), is_string(...));
        $more = $request->input('step');
        if (is_string($more) && $more !== '') {
            [$do, $value] = [...explode('=', $more, 2), ''];
            $written[] = Step::takesText($do, rtrim($value, '|')) ? $more.trim(Written::text($request, 'step_text')) : $more;
        }

        return array_values(array_map(static function (string $one): array {
            [$do, $value] = [...explode('=', $one, 2), ''];

            return ['do' => $do, 'value' => $value];
        }, $written));
    }

    /**
     * @return array<string, string>
     */
    private function of(string $key, Change $change): array
    {
        if (! $change->hasChoices()) {
            return ["{$key}=" => "{$change->phrase()} …"];
        }
        $choices = [];
        foreach ($change->choices(ChangeUse::Step) as $value => $label) {
            $asksText = $change->takesText((string) $value);
            $words = $change->briefly(new Chosen((string) $value), $label);
            $choices["{$key}={$value}".($asksText ? '|' : '')] = $words.($asksText ? ' …' : '');
        }

        return $choices;
    }
}
