<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\Account;
use App\Channels\Mail\UnreadableMail;
use App\Channels\Services\EventTrace;
use App\Team\Teammate;
use App\Telling\News;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/**
 * What stands on every page: who is signed in, and to administrators what needs mending.
 */
final class TopBar
{
    public function __construct(private readonly Request $request) {}

    public function compose(View $view): void
    {
        if (! $this->request->attributes->has(self::class)) {
            $this->request->attributes->set(self::class, $this->content());
        }
        $view->with($this->request->attributes->get(self::class));
    }

    /**
     * @return array<string, mixed>
     */
    private function content(): array
    {
        $teammate = Auth::user();
        $administers = $teammate instanceof Teammate && $teammate->role->administers();

        return [
            'signedIn' => $teammate,
            'administers' => $administers,
            'troubledAccounts' => $administers ? Account::query()->whereNotNull('last_error')->where('state', 'active')->get() : collect(),
            'unreadableCount' => $administers ? UnreadableMail::query()->where('state', UnreadableMail::KEPT)->count() : 0,
            'troubleCount' => $administers ? EventTrace::query()->where('state', EventTrace::KEPT)->count() : 0,
            'unreadNews' => $teammate instanceof Teammate ? News::unreadOf($teammate) : 0,
            'callKey' => Str::uuid()->toString(),
        ];
    }
}
