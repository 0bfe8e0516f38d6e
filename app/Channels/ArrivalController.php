<?php

declare(strict_types=1);

namespace App\Channels;

use App\Support\StoreSettings;
use App\Team\SignedIn;
use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\TextRefused;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * What is done to everything that arrives: numbers that are taken out, and who is blocked.
 */
final readonly class ArrivalController
{
    public function __construct(private StoreSettings $settings) {}

    public function show(): View
    {
        return view('channels.arrival', [
            'patterns' => $this->settings->get(RedactArrival::PATTERNS, []),
            'kinds' => BlockedSender::kinds(),
            'blocked' => BlockedSender::query()->orderBy('kind')->orderBy('value')->get(),
        ]);
    }

    public function savePatterns(Request $request): RedirectResponse
    {
        $written = $request->validate([
            'name' => ['array', 'max:10'], 'name.*' => ['nullable', 'string', 'max:40'], 'mask' => ['array'],
            'mask.*' => ['nullable', 'string', 'max:40'],
        ]);
        $patterns = [];
        foreach ($written['name'] ?? [] as $index => $name) {
            $name = trim((string) $name);
            $mask = trim((string) ($written['mask'][$index] ?? ''));
            if ($name === '' && $mask === '') {
                continue;
            }
            try {
                NumberMask::of($mask);
            } catch (TextRefused $why) {
                throw ValidationException::withMessages(["mask.{$index}" => $why->getMessage()]);
            }
            $patterns[$name === '' ? 'number' : $name] = $mask;
        }
        $this->settings->put(RedactArrival::PATTERNS, $patterns);

        return back()->with('done', 'Saved. It holds for everything that arrives from now on.');
    }

    public function block(Request $request): RedirectResponse
    {
        $written = $request->validate([
            'kind' => ['required', Rule::in(array_keys(BlockedSender::kinds()))],
            'value' => ['required', 'string', 'max:300'],
        ]);
        $value = mb_strtolower(trim($written['value']));
        BlockedSender::query()->createOrFirst(
            ['kind' => $written['kind'], 'value' => $written['kind'] === BlockedSender::DOMAIN ? ltrim($value, '@') : $value],
            ['teammate_id' => SignedIn::teammate($request)->id],
        );

        return back()->with('done', "{$value} is blocked: what comes from there goes to the junk view.");
    }

    public function unblock(BlockedSender $sender): RedirectResponse
    {
        $sender->delete();

        return back()->with('done', "{$sender->value} is blocked no more.");
    }
}
