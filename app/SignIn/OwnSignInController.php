<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;

/**
 * One's own password, and where one is signed in.
 */
final readonly class OwnSignInController
{
    public function __construct(private SignIns $signIns) {}

    public function show(Request $request): View
    {
        $teammate = SignedIn::teammate($request);

        return view('sign-in.own', [
            'teammate' => $teammate,
            'current' => $this->signIns->current($request, $teammate),
            'open' => SignIn::open($teammate->id)->orderByDesc('seen_at')->get(),
        ]);
    }

    public function changePassword(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        $given = $request->validate([
            'current' => ['required', 'string', 'max:1000'],
            'password' => ['required', 'string', new Password($teammate), 'confirmed', 'different:current'],
        ], [
            'password.confirmed' => 'The two are not the same. Write it twice.',
            'password.different' => 'This is the one that you have. Choose another.',
        ]);
        WrongTries::check(
            $teammate, 'current', static fn (): bool => Hash::check($given['current'], $teammate->password), 'That is not your password.'
        );
        Passes::choosePassword($teammate, $given['password']);
        $ended = SignIns::endAll($teammate, $this->signIns->current($request, $teammate));
        TellOfChange::dispatch($teammate->id, 'Your password was changed.');

        return back()->with('done', 'Your password is changed.'.($ended === 0 ? '' : ' You are signed out everywhere else.'));
    }

    public function end(Request $request, SignIn $signIn): RedirectResponse
    {
        abort_unless($signIn->teammate_id === SignedIn::teammate($request)->id, 404);
        $signIn->ended_at !== null ?: $signIn->forceFill(['ended_at' => now()])->save();

        return back()->with('done', 'That one is signed out.');
    }

    public function endOthers(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        SignIns::endAll($teammate, $this->signIns->current($request, $teammate));

        return back()->with('done', 'You are signed out everywhere else.');
    }
}
