<?php

declare(strict_types=1);

namespace App\SignIn;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Where somebody chooses a password by a one-time link, and asks for one.
 */
final readonly class PassController
{
    public function __construct(private Passes $passes, private SignIns $signIns) {}

    /**
     * Looking uses nothing: mail programs look at links before people do.
     */
    public function show(string $key): View|Response
    {
        $pass = $this->passes->open($key);

        return $pass === null ? $this->gone() : view('sign-in.pass', ['pass' => $pass]);
    }

    public function use(Request $request, string $key): RedirectResponse|Response
    {
        $pass = $this->passes->open($key);
        if ($pass === null) {
            return $this->gone();
        }
        $password = (string) $request->validate(['password' => ['required', 'string', new Password($pass->teammate), 'confirmed']], [
            'password.confirmed' => 'The two are not the same. Write it twice.',
        ])['password'];
        $teammate = $this->passes->use($key, $password);
        if ($teammate === null) {
            return $this->gone();
        }
        TellOfChange::dispatch($teammate->id, 'A password was chosen by a link that was sent to you.');

        return $this->signIns->passed($request, $teammate)->with('done', 'Your password is chosen.');
    }

    public function forgotten(): View
    {
        return view('sign-in.forgotten');
    }

    /**
     * Says the same, and takes as long, whether somebody has the address or not.
     */
    public function ask(Request $request): RedirectResponse
    {
        $email = trim((string) $request->validate(['email' => ['required', 'string', 'max:254']])['email']);
        AnswerForgotten::dispatch($email);

        return redirect('/sign-in')->with(
            'done', 'If somebody of the team has this address, a link to choose a new password is on its way to it.'
        );
    }

    private function gone(): Response
    {
        return response()->view('sign-in.pass-gone', status: 410);
    }
}
