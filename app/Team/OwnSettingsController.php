<?php

declare(strict_types=1);

namespace App\Team;

use App\Notifications\MailWhen;
use App\Notifications\NewsKind;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class OwnSettingsController
{
    public function show(Request $request): View
    {
        return view('team.own-settings', [
            'zones' => DateTimeZone::listIdentifiers(),
            'deputies' => Teammate::working()->whereKeyNot(SignedIn::teammate($request)->id)->pluck('name', 'id'),
        ]);
    }

    public function save(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        $settings = $request->validate([
            'time_zone' => ['required', Rule::in(DateTimeZone::listIdentifiers())],
            'single_keys' => ['boolean'],
            'signature' => ['nullable', 'string', 'max:1000'],
            'deputy' => ['nullable', 'integer', Rule::exists('teammates', 'id')->where('may_sign_in', true), Rule::notIn([$teammate->id])],
            'told' => ['array:'.implode(',', array_column(NewsKind::cases(), 'value'))],
            'told.*.app' => ['nullable', 'boolean'],
            'told.*.mail' => ['required', Rule::enum(MailWhen::class)],
        ]);
        $teammate->update([
            'time_zone' => $settings['time_zone'],
            'single_keys' => $request->boolean('single_keys'),
        ]);

        $teammate->forceFill([
            'deputy_id' => ($settings['deputy'] ?? '') === '' ? null : (int) $settings['deputy'],
            'signature' => trim((string) ($settings['signature'] ?? '')),
            'told' => array_map(
                static fn (array $wish): array => ['app' => (bool) ($wish['app'] ?? false), 'mail' => $wish['mail']],
                $settings['told'] ?? []
            )
                ?: $teammate->told,
        ])->save();

        return back()->with('done', 'Your settings are saved.');
    }
}
