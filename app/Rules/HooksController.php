<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Changes\WhatNeeds;
use App\Support\HostOnForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/**
 * Administrators say which programs rules can tell.
 */
final class HooksController
{
    public function index(): View
    {
        return view('rules.hooks', ['hooks' => Hook::inUse()->get()]);
    }

    public function store(Request $request, HostOnForm $hosts): RedirectResponse
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:80'],
            'address' => ['required', 'string', 'max:500', 'url:http,https'],
        ], ['address.url' => 'Write the whole address, beginning with https://.']);
        $hosts->check($request, 'address', (string) parse_url($written['address'], PHP_URL_HOST));
        $secret = Str::random(40);
        (new Hook)->forceFill(['name' => trim($written['name']), 'address' => $written['address'], 'secret' => $secret])->save();

        return redirect('/rules/hooks')->with(
            'done', "“{$written['name']}” is there. It checks requests with this secret, which is shown only now: {$secret}"
        );
    }

    public function retire(Hook $hook, WhatNeeds $needs): RedirectResponse
    {
        $needs->refuseIfNeeded($hook, $hook->name);
        $hook->forceFill(['retired_at' => now()])->save();

        return redirect('/rules/hooks')->with('done', "“{$hook->name}” is told of nothing any more.");
    }
}
