<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Session;

/**
 * What was written into a form that was refused. A page may hold many forms: only the one that was sent shows it again.
 */
final readonly class RefusedInput
{
    private const WRITTEN = '_old_input';

    private const SENT_TO = '_refused_at';

    private function __construct(public bool $isHere) {}

    /**
     * For a form on a page.
     *
     * @param  string  $action  to which it is sent
     */
    public static function in(string $action): self
    {
        return new self(Session::get(self::SENT_TO) === $action && Session::has(self::WRITTEN));
    }

    /**
     * What is to stand in a control: what was written there, also where that was nothing; else what is stored.
     *
     * @template T
     *
     * @param  T  $stored
     * @return T|array<mixed>|string|null
     */
    public function value(string $name, mixed $stored = null): mixed
    {
        $written = $this->isHere ? old($name) : $stored;

        // A list where no form has one: somebody else's doing, and nothing that a control could show.
        return is_array($written) && ! is_array($stored) ? null : $written;
    }

    /**
     * For a form that is shown again in the same answer: on this page, and on no other. What is flashed instead would
     * stand in whatever form is opened next.
     *
     * @param  string  ...$lists  of those that are shown, the ones that hold several
     */
    public static function showAgain(Request $request, string ...$lists): void
    {
        $fits = static fn (mixed $written, string|int $name): bool => ! is_array($written) || in_array($name, $lists, true);
        Session::now(self::WRITTEN, array_filter((array) $request->input(), $fits, ARRAY_FILTER_USE_BOTH));
        Session::now(self::SENT_TO, $request->getPathInfo());
    }

    /**
     * For a form whose page is opened again.
     */
    public static function noteWhere(Request $request): void
    {
        if (in_array(self::WRITTEN, (array) Session::get('_flash.new', []), true)) {
            Session::flash(self::SENT_TO, $request->getPathInfo());
        }
    }
}
