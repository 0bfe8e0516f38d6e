<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\SecurityLog;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

final readonly class SignInController
{
    /** Wrong tries in a minute: for one person, from wherever, and from one network, for whomever. */
    private const MOST_FOR_PERSON = 5;

    private const MOST_FROM_NETWORK = 30;

    public function __construct(private SignIns $signIns) {}

    public function show(): View
    {
        return view('sign-in.sign-in');
    }

    public function signIn(Request $request): RedirectResponse
    {
        $given = $request->validate([
            'email' => ['required', 'string', 'max:254'],
            'password' => ['required', 'string', 'max:1000'],
        ]);
        $teammate = Teammate::query()->where('email', trim($given['email']))->where('may_sign_in', true)->first();
        // However the address is spelt, it is the same person; one that nobody has is counted by what it comes to.
        $limits = [
            'sign-in|'.($teammate->id ?? hash('sha256', Folding::fold(trim($given['email'])))) => self::MOST_FOR_PERSON,
            'sign-in-from|'.$request->ip() => self::MOST_FROM_NETWORK,
        ];
        foreach ($limits as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                SecurityLog::note('sign_in.too_many', ['person' => $teammate?->id]);
                throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
            }
        }
        if (! $this->isRight($given['password'], $teammate) || $teammate === null) {
            array_map(static fn (string $key): int => RateLimiter::hit($key), array_keys($limits));
            SecurityLog::note('sign_in.wrong', ['person' => $teammate?->id]);
            throw ValidationException::withMessages([
                'email' => 'The email address and the password do not go together. Check both and try again.',
            ]);
        }
        RateLimiter::clear(array_key_first($limits));
        if (Hash::needsRehash($teammate->password)) {
            $teammate->forceFill(['password' => $given['password']])->save();
        }

        return $this->signIns->passed($request, $teammate);
    }

    public function signOut(Request $request): RedirectResponse
    {
        $this->signIns->end($request);

        return redirect('/sign-in');
    }

    /**
     * Takes as long where nobody has the address.
     */
    private function isRight(string $password, ?Teammate $teammate): bool
    {
        return $teammate === null ? Hash::make($password) === '' : Hash::check($password, $teammate->password);
    }
}
