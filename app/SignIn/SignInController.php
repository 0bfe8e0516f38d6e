<?php

declare(strict_types=1);

namespace App\Team;

use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

final class SignInController
{
    public function __construct(private readonly StatefulGuard $guard) {}

    public function show(): View
    {
        return view('team.sign-in');
    }

    public function signIn(Request $request): RedirectResponse
    {
        $credentials = $request->validate([
            'email' => ['required', 'string', 'max:254'],
            'password' => ['required', 'string', 'max:1000'],
        ]);
        if (! $this->guard->attempt([...$credentials, 'may_sign_in' => true])) {
            throw ValidationException::withMessages([
                'email' => 'The email address and the password do not go together. Check both and try again.',
            ]);
        }
        // A session that somebody else may have begun must not become this person's.
        $request->session()->regenerate();

        return redirect()->intended('/queue');
    }

    public function signOut(Request $request): RedirectResponse
    {
        $this->guard->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect('/sign-in');
    }
}
