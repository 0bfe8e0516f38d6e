<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * A host that an administrator writes into a form: what leads inside is allowed by name, on purpose, or refused where it stands.
 */
final readonly class HostOnForm
{
    /** The control that says that it is meant; it is shown once it is needed. */
    public const MEANT = 'allow_inside';

    public function __construct(private OutsideHosts $hosts) {}

    /**
     * @param  string  $field  in which it is written
     *
     * @throws ValidationException
     */
    public function check(Request $request, string $field, string $host): void
    {
        try {
            $this->hosts->addressesOf($host);
        } catch (HostIsUnknown) {
            // Perhaps not yet: it is said when it is to be reached.
        } catch (HostIsInside $inside) {
            if (! $request->boolean(self::MEANT)) {
                throw ValidationException::withMessages([$field => $inside->getMessage(), self::MEANT => 'Allow it below.']);
            }
            $this->hosts->allow($host);
        }
    }
}
