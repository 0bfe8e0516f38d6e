<?php

declare(strict_types=1);

namespace App\Team;

use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class OwnSettingsController
{
    public function show(): View
    {
        return view('team.own-settings', ['zones' => DateTimeZone::listIdentifiers()]);
    }

    public function save(Request $request): RedirectResponse
    {
        /** @var Teammate $teammate */
        $teammate = $request->user();
        $settings = $request->validate([
            'time_zone' => ['required', Rule::in(DateTimeZone::listIdentifiers())],
            'single_keys' => ['boolean'],
        ]);
        $teammate->update([
            'time_zone' => $settings['time_zone'],
            'single_keys' => $request->boolean('single_keys'),
        ]);

        return back()->with('done', 'Your settings are saved.');
    }
}
