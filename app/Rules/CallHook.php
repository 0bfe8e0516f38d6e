<?php

declare(strict_types=1);

namespace App\Rules;

use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Support\OutsideHosts;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Http;
use RuntimeException;
use Throwable;

/**
 * Tells a program elsewhere: JSON, signed with HMAC-SHA256 over `time.body`. The same event has the same id each
 * time it is tried, so that the other side can tell what it has had already.
 */
final class CallHook implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 5;

    /**
     * @param  array<string, mixed>  $body
     */
    public function __construct(public readonly int $hookId, public readonly array $body)
    {
        $this->onQueue('outbox');
    }

    /**
     * Seconds until each further try.
     *
     * @return list<int>
     */
    public function backoff(): array
    {
        return [10, 60, 600, 3600];
    }

    public function handle(OutsideHosts $hosts): void
    {
        $hook = Hook::query()->find($this->hookId);
        if ($hook === null || $hook->retired_at !== null) {
            return;
        }
        $body = json_encode($this->body, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
        $time = (string) now()->getTimestamp();
        $response = Http::connectTimeout(
            (int) config('cairnfield.services.connect_timeout')
        )->timeout((int) config('cairnfield.services.timeout'))
            ->withOptions($hosts->optionsFor($hook->address))
            ->withoutRedirecting()
            ->withHeaders(['Cairnfield-Time' => $time, 'Cairnfield-Signature' => hash_hmac('sha256', "{$time}.{$body}", $hook->secret)])
            ->withBody($body, 'application/json')
            ->post($hook->address);
        if (! $response->successful()) {
            throw new RuntimeException("{$hook->name} answered {$response->status()}.");
        }
        if ($hook->last_error !== null) {
            $hook->forceFill(['last_error' => null, 'last_error_at' => null])->save();
        }
    }

    public function failed(?Throwable $why): void
    {
        $hook = Hook::query()->find($this->hookId);
        if ($hook === null) {
            return;
        }
        $problem = $why?->getMessage() ?? 'It could not be reached.';
        $hook->forceFill(['last_error' => mb_substr($problem, 0, 490), 'last_error_at' => now()])->save();
        $people = array_values(Teammate::query()->where('role', Role::Administrator)->where('may_sign_in', true)->get()->all());
        // Told once an hour, however often it fails.
        app(Notify::class)->people(
            $people, NewsKind::RuleFailed, "hook-{$hook->id}-".now()->format('YmdH'),
            "The webhook “{$hook->name}” could not be told, although it was tried {$this->tries} times: {$problem}", null
        );
    }
}
