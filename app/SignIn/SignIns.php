<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\SecurityLog;
use App\Team\Teammate;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * Begins and ends that somebody is signed in.
 */
final readonly class SignIns
{
    private const KEY = 'sign_in';

    private const HALFWAY = 'sign_in_halfway';

    /** Minutes in which the second step has to be done. */
    private const SECOND_STEP = 5;

    /** Seconds between two notes that somebody is still there. */
    private const NOTED_EVERY = 60;

    public function __construct(private StatefulGuard $guard) {}

    /**
     * The password was right: in, or asked for the second step.
     */
    public function passed(Request $request, Teammate $teammate): RedirectResponse
    {
        // By a link, also somebody who sits at another's open page.
        ! $this->guard->check() ?: $this->end($request);
        if ($teammate->second_factor_since === null) {
            $this->begin($request, $teammate);

            return redirect()->intended('/queue');
        }
        $request->session()->regenerate();
        $request->session()->put(self::HALFWAY, [$teammate->id, now()->getTimestamp()]);

        return redirect('/sign-in/second-step');
    }

    /**
     * Whoever has done the first step a moment ago, with the password that they have still.
     */
    public function halfway(Request $request): ?Teammate
    {
        [$id, $since] = (array) $request->session()->get(self::HALFWAY) + [null, 0];
        $isFresh = is_int($since) && $since > now()->subMinutes(self::SECOND_STEP)->getTimestamp();

        return $isFresh && is_int($id) ? Teammate::query()->where('may_sign_in', true)->find($id) : null;
    }

    /**
     * In a new session: one that somebody else may have begun must not become this person's.
     */
    public function begin(Request $request, Teammate $teammate): void
    {
        $this->guard->login($teammate);
        $request->session()->regenerate();
        $request->session()->forget(self::HALFWAY);
        SecurityLog::note('sign_in.done', ['person' => $teammate->id]);
        $request->session()->put(self::KEY, self::note($teammate, (string) $request->ip(), (string) $request->userAgent())->id);
    }

    public static function note(Teammate $teammate, string $network, string $device): SignIn
    {
        $signIn = new SignIn;
        $signIn->forceFill([
            'teammate_id' => $teammate->id, 'network' => $network, 'device' => mb_substr(mb_scrub($device, 'UTF-8'), 0, 300),
            'began_at' => now(), 'seen_at' => now(),
        ])->save();

        return $signIn;
    }

    /**
     * What a session carries to be of somebody who is signed in.
     *
     * @return array<string, int>
     */
    public static function inSession(SignIn $signIn): array
    {
        return [self::KEY => $signIn->id];
    }

    /**
     * The one of this request; null where it has ended, or whoever it is may not sign in any more.
     */
    public function current(Request $request, Teammate $teammate): ?SignIn
    {
        $id = $request->session()->get(self::KEY);

        return is_int($id) && $teammate->may_sign_in ? SignIn::open($teammate->id)->find($id) : null;
    }

    public function seen(Request $request, SignIn $signIn): void
    {
        if ($signIn->seen_at->addSeconds(self::NOTED_EVERY)->isPast()) {
            $signIn->forceFill(['seen_at' => now(), 'network' => (string) $request->ip()])->save();
        }
    }

    public function end(Request $request): void
    {
        $id = $request->session()->get(self::KEY);
        is_int($id) && SignIn::query()->whereKey($id)->update(['ended_at' => now()]);
        $this->guard->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }

    /**
     * Everywhere, or everywhere but here.
     *
     * @return int how many there were
     */
    public static function endAll(Teammate $teammate, ?SignIn $but = null): int
    {
        return SignIn::open($teammate->id)
            ->when($but !== null, static fn ($all) => $all->whereKeyNot($but?->id))
            ->update(['ended_at' => now()]);
    }

    /**
     * What ended long ago nobody asks for.
     */
    public static function tidy(): void
    {
        SignIn::query()->where('seen_at', '<', now()->subDays(90))->delete();
    }
}
