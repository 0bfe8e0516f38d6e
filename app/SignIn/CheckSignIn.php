<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\StartSession;
use App\Team\Teammate;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * At each request: whether whoever is signed in still is. Somebody who was deactivated, or whose password was changed elsewhere,
 * is a stranger from the next request on.
 */
final readonly class CheckSignIn
{
    /** What somebody can open who has yet to switch on a second step that the store asks for. */
    private const WITHOUT_SECOND_STEP = ['own-sign-in', 'own-sign-in/*', 'sign-out', 'pass/*'];

    public function __construct(private SignIns $signIns, private SecondFactor $factor) {}

    public function handle(Request $request, Closure $next): Response
    {
        $teammate = Auth::user();
        if (! $teammate instanceof Teammate) {
            return $next($request);
        }
        $signIn = $this->signIns->current($request, $teammate);
        if ($signIn === null) {
            $this->signIns->end($request);
            $request->session()->flash('problem', 'You have been signed out. Sign in again to go on.');
        } else {
            // An open page that asks for news keeps nobody signed in.
            StartSession::asksByItself($request) || $this->signIns->seen($request, $signIn);
            $mustAdd = $teammate->second_factor_since === null && $this->factor->isRequiredOf($teammate->role);
            if ($mustAdd && ! $request->is(...self::WITHOUT_SECOND_STEP)) {
                $request->session()->flash('problem', 'The store asks for a second step from you. Switch it on first.');

                return self::to($request, '/own-sign-in/second-step');
            }
        }

        return $next($request);
    }

    /**
     * Elsewhere with the whole page, also where only a part of it was asked for.
     */
    public static function to(Request $request, string $address): Response
    {
        if (! $request->hasHeader('HX-Request')) {
            return redirect()->guest($address);
        }
        $page = (string) $request->header('HX-Current-URL');
        // Back to the page afterwards, where it is one of ours.
        str_starts_with($page, $request->root().'/') && redirect()->setIntendedUrl($page);

        return response('', 401, ['HX-Redirect' => $address]);
    }
}
