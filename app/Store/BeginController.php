<?php

declare(strict_types=1);

namespace App\Store;

use App\Hours\Calendars;
use App\Hours\SaveCalendar;
use App\Rules\ReadyMade;
use App\SignIn\Password;
use App\SignIn\SignIns;
use App\Support\Languages;
use App\Support\StoreSettings;
use App\Team\SignedIn;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Locale;

/**
 * A store of its own begins: by the one-time link until there is an administrator, then by them, in steps that can be left and gone
 * on with.
 */
final readonly class BeginController
{
    public function __construct(private BeginLink $link, private StoreSettings $settings, private SaveCalendar $calendars) {}

    /**
     * Looking uses nothing.
     */
    public function show(Request $request, string $key): View|Response
    {
        if (! $this->link->isOpen($key)) {
            return $this->gone();
        }

        return Store::isSaid() && ! $request->boolean('store')
            ? view('store.administrator', ['key' => $key])
            : view('store.begin', ['key' => $key, ...self::store($request)]);
    }

    public function saveStore(Request $request, string $key): RedirectResponse|Response
    {
        if (! $this->link->isOpen($key)) {
            return $this->gone();
        }
        StoreToSave::of($request)->save($this->settings, $this->calendars);

        return redirect("/begin/{$key}");
    }

    public function makeAdministrator(
        Request $request, string $key, MakeAdministrator $make, SignIns $signIns
    ): RedirectResponse|Response {
        if (! $this->link->isOpen($key)) {
            return $this->gone();
        }
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'email:rfc', 'max:254'],
            'password' => ['required', 'string', new Password(null), 'confirmed'],
        ], ['password.confirmed' => 'The two are not the same. Write it twice.']);
        $person = $make->make($key, $given['name'], mb_strtolower(trim($given['email'])), $given['password']);
        if ($person === null) {
            return $this->gone();
        }
        $signIns->begin($request, $person);

        return redirect('/begin')->with('done', "You are the administrator of {$this->storeName()} now.");
    }

    public function steps(BeginSteps $steps, ReadyMade $readyMade): View
    {
        return view('store.steps', [
            'steps' => $steps->all(), 'ways' => BeginSteps::waysIn()->get(), 'firstSet' => FirstSet::current()->names($readyMade),
        ]);
    }

    public function takeFirstSet(Request $request, BeginSteps $steps): RedirectResponse
    {
        $taken = array_keys(array_filter(array_map($request->boolean(...), array_combine(FirstSet::PARTS, FirstSet::PARTS))));
        $made = FirstSet::current()->take($taken, SignedIn::teammate($request));
        $steps->leave('first_set');

        return redirect('/begin')->with('done', $made === [] ? 'Nothing was taken.' : 'Taken: '.implode(', ', $made).'.');
    }

    /**
     * A step that is not wanted, or not yet.
     */
    public function leave(Request $request, BeginSteps $steps): RedirectResponse
    {
        $steps->leave((string) $request->validate(['step' => ['required', 'string', 'in:'.implode(',', BeginSteps::CAN_BE_LEFT)]])['step']);

        return redirect('/begin');
    }

    public function storePage(Request $request): View
    {
        return view('store.store', self::store($request));
    }

    public function changeStore(Request $request): RedirectResponse
    {
        StoreToSave::of($request)->save($this->settings, $this->calendars);

        return redirect('/store')->with('done', 'The store is kept.');
    }

    /**
     * @return array<string, mixed>
     */
    private static function store(Request $request): array
    {
        $country = Countries::guess($request->header('Accept-Language'));
        $asked = Locale::acceptFromHttp((string) $request->header('Accept-Language'));
        $language = (string) Locale::getPrimaryLanguage(is_string($asked) ? $asked : 'en');

        return [
            'store' => Store::isSaid() || ! BeginLink::isNeeded() ? Store::current() : null,
            'asksHours' => BeginLink::isNeeded(),
            'week' => app(Calendars::class)->main()->week,
            'countries' => Countries::all(),
            'languages' => Languages::all(),
            'zones' => DateTimeZone::listIdentifiers(),
            'guessedCountry' => $country,
            'guessedLanguage' => Languages::has($language) ? $language : 'en',
            'guessedZone' => $country === null ? 'UTC' : DateTimeZone::listIdentifiers(DateTimeZone::PER_COUNTRY, $country)[0] ?? 'UTC',
        ];
    }

    private function storeName(): string
    {
        return Store::current()->name;
    }

    private function gone(): Response
    {
        return response()->view('store.gone', status: 410);
    }
}
