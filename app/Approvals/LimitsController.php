<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Returns\PolicyToSave;
use App\Support\StoreSettings;
use App\Team\Role;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * How much each role gives back by itself, and whose yes more needs.
 */
final readonly class LimitsController
{
    public const ROLES = [Role::Care, Role::Lead];

    public function __construct(private SpendingLimits $limits, private StoreSettings $settings) {}

    public function show(): View
    {
        return view('approvals.limits', ['limits' => $this->limits, 'roles' => self::ROLES]);
    }

    public function save(Request $request): RedirectResponse
    {
        $amounts = ['nullable', 'string', 'max:300'];
        $written = $request->validate([
            'limits' => ['required', 'array:'.implode(',', array_map(static fn (Role $role): string => $role->value, self::ROLES))],
            'limits.*' => ['array:'.implode(',', SpendingLimits::KINDS)], 'limits.*.*' => $amounts, 'second_above' => $amounts,
            'remind' => ['required', 'integer', 'between:1,60'],
        ]);
        $limits = [];
        foreach ($written['limits'] as $role => $kinds) {
            foreach ($kinds as $kind => $text) {
                $limits[$role][$kind] = ($text ?? '') === '' ? null : PolicyToSave::amounts($text, "limits.{$role}.{$kind}");
            }
        }
        $this->settings->put(SpendingLimits::NAME, [
            'limits' => $limits, 'remind' => (int) $written['remind'],
            'second_above' => ($written['second_above'] ?? '') === '' ? null
                : PolicyToSave::amounts($written['second_above'], 'second_above'),
        ]);

        return redirect('/approval-limits')->with('done', 'Saved. What waits already goes on as it was asked.');
    }
}
