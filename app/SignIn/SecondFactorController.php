<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Team\SignedIn;
use App\Team\Teammate;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/**
 * The second step of signing in, and where one switches it on and off for oneself.
 */
final readonly class SecondFactorController
{
    private const NEW_SECRET = 'new_second_factor';

    public function __construct(private SecondFactor $factor, private SignIns $signIns) {}

    public function ask(Request $request): View|RedirectResponse
    {
        return $this->signIns->halfway($request) === null ? redirect('/sign-in') : view('sign-in.second-factor');
    }

    public function answer(Request $request): RedirectResponse
    {
        $teammate = $this->signIns->halfway($request);
        if ($teammate === null) {
            return redirect('/sign-in')->with('problem', 'That took too long. Sign in again.');
        }
        $this->check($request, $teammate, 'code');
        $this->signIns->begin($request, $teammate);

        return redirect()->intended('/queue');
    }

    /**
     * The secret stands in the session until a code shows that a device has it.
     */
    public function show(Request $request): View
    {
        $teammate = SignedIn::teammate($request);
        $secret = $request->session()->get(self::NEW_SECRET) ?? SecondFactor::newSecret();
        $request->session()->put(self::NEW_SECRET, $secret);

        return view('sign-in.own-second-factor', [
            'teammate' => $teammate, 'secret' => $secret, 'address' => SecondFactor::address($teammate, $secret),
            'isRequired' => $this->factor->isRequiredOf($teammate->role),
        ]);
    }

    public function begin(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        $secret = $request->session()->get(self::NEW_SECRET);
        $code = (string) $request->validate(['code' => ['required', 'string', 'max:100']])['code'];
        $codes = is_string($secret) && $teammate->second_factor_since === null ? $this->factor->begin($teammate, $secret, $code) : null;
        if ($codes === null) {
            throw ValidationException::withMessages(['code' => 'That is not the code that the device shows now. Write the next one.']);
        }
        $request->session()->forget(self::NEW_SECRET);
        SignIns::endAll($teammate, $this->signIns->current($request, $teammate));
        TellOfChange::dispatch($teammate->id, 'A second step was switched on for signing in.');

        return redirect('/own-sign-in')->with(['done' => 'Signing in takes two steps from now on.', 'recovery_codes' => $codes]);
    }

    public function end(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        $this->checkPassword($request, $teammate);
        $this->factor->end($teammate);
        TellOfChange::dispatch($teammate->id, 'The second step of signing in was switched off.');

        return redirect('/own-sign-in')->with('done', 'Signing in takes the password alone.');
    }

    public function newRecoveryCodes(Request $request): RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        abort_if($teammate->second_factor_since === null, 409);
        $this->checkPassword($request, $teammate);

        return redirect('/own-sign-in')->with([
            'done' => 'The earlier codes do not work any more.', 'recovery_codes' => $this->factor->newRecoveryCodes($teammate),
        ]);
    }

    /**
     * @throws ValidationException
     */
    private function check(Request $request, Teammate $teammate, string $field): void
    {
        $code = (string) $request->validate([$field => ['required', 'string', 'max:100']])[$field];
        WrongTries::check($teammate, $field, fn (): bool => $this->factor->accepts($teammate, $code), 'That code is wrong, or was used.');
    }

    /**
     * @throws ValidationException
     */
    private function checkPassword(Request $request, Teammate $teammate): void
    {
        $password = (string) $request->validate(['confirm' => ['required', 'string', 'max:1000']])['confirm'];
        WrongTries::check(
            $teammate, 'confirm', static fn (): bool => Hash::check($password, $teammate->password), 'That is not your password.'
        );
    }
}
