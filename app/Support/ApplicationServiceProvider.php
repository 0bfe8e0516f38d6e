<?php

declare(strict_types=1);

namespace App\Support;

use App\Channels\BlockList;
use App\Channels\ChannelSender;
use App\Channels\MessageSender;
use App\Channels\Receives;
use App\Channels\Services\TakesItems;
use App\Conditions\ConversationFields;
use App\Conditions\Fields;
use App\Conversations\Journal\CurrentCause;
use App\Health\Heartbeats;
use App\Health\Part;
use App\Hours\Calendars;
use App\Hours\StoreHours;
use App\Orders\OrderNumbers;
use App\Promises\KeepPromises;
use App\Promises\PromiseSets;
use App\Receiving\ReceiveMessage;
use App\Receiving\TakeItem;
use App\SetUp\SetUpIndex;
use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use App\Workspace\TopBar;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\TransactionCommitting;
use Illuminate\Database\Events\TransactionRolledBack;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use LogicException;

final class ApplicationServiceProvider extends ServiceProvider
{
    /** Seconds, as the workers are told. */
    private const LONGEST_JOB = 300;

    public function register(): void
    {
        $this->app->bind(StoreHours::class, static fn (): StoreHours => StoreHours::ofStore());
        $this->app->bind(MessageSender::class, ChannelSender::class);
        $this->app->bind(Receives::class, ReceiveMessage::class);
        $this->app->bind(TakesItems::class, TakeItem::class);
        $this->app->bind(Fields::class, ConversationFields::class);
        $this->app->scoped(Calendars::class);
        $this->app->scoped(WhoMayRead::class);
        $this->app->scoped(PromiseSets::class);
        $this->app->scoped(SetUpIndex::class);
        $this->app->singleton(StoreSettings::class);
        $this->app->singleton(CurrentCause::class);
        $this->app->singleton(OrderNumbers::class);
        $this->app->singleton(BlockList::class);
        $this->app->scoped(LocalTime::class);
        $this->app->bind(NameService::class, SystemNames::class);
        $this->app->bind(StatefulGuard::class, function (): StatefulGuard {
            $guard = Auth::guard('web');

            return $guard instanceof StatefulGuard ? $guard : throw new LogicException('Signing in needs a guard with a session.');
        });
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        // Addresses of our own without host and port: right behind any proxy.
        Vite::createAssetPathsUsing(static fn (string $path): string => "/{$path}");
        $this->authorisation();
        $this->limits();
        $this->heartbeats();
        $this->reckonBeforeCommits();
        View::composer(['layouts.app', 'set-up.places', 'team.own-settings'], TopBar::class);
        View::share('time', $this->app->make(LocalTime::class));
    }

    private function authorisation(): void
    {
        // The policy of a model lies beside it.
        Gate::guessPolicyNamesUsing(static fn (string $model): string => "{$model}Policy");
        Gate::define('answer-customers', static fn (Teammate $teammate): bool => $teammate->role->answersCustomers());
        Gate::define('give-back', static fn (Teammate $teammate): bool => $teammate->role->approves());
        Gate::define('arrange', static fn (Teammate $teammate): bool => $teammate->role->arranges());
        Gate::define('administer', static fn (Teammate $teammate): bool => $teammate->role->administers());
    }

    /**
     * What is promised is stored with what happened, or not at all.
     */
    private function reckonBeforeCommits(): void
    {
        Event::listen(TransactionCommitting::class, fn () => $this->app->make(KeepPromises::class)->flush());
        Event::listen(
            TransactionRolledBack::class,
            fn (TransactionRolledBack $event) => $event->connection->transactionLevel() > KeepPromises::$around
                ?: $this->app->make(KeepPromises::class)->forget()
        );
    }

    /**
     * Workers say that they are alive, and how long what they begin may take.
     */
    private function heartbeats(): void
    {
        Queue::looping(static function (Looping $loop): void {
            $part = Part::ofQueues($loop->queue);
            $part === null ?: Heartbeats::beat($part);
        });
        Queue::before(static function (JobProcessing $begins): void {
            RegularJob::begins($begins->job->resolveName());
            $part = Part::ofQueues($begins->job->getQueue());
            $part === null ?: Heartbeats::works($part, $begins->job->timeout() ?? self::LONGEST_JOB);
        });
        Queue::after(static function (JobProcessed $ended): void {
            $part = Part::ofQueues($ended->job->getQueue());
            $part === null ?: Heartbeats::works($part, 0);
        });
    }

    private function limits(): void
    {
        // Each may have a mail sent, or hash a password.
        RateLimiter::for('forgotten', fn (Request $request): Limit => Limit::perMinute(10)->by('forgotten|'.$request->ip()));
        // Its key cannot be guessed; who fills the form in tries a few times.
        RateLimiter::for('begin', fn (Request $request): Limit => Limit::perMinute(60)->by('begin|'.$request->ip()));
        RateLimiter::for('events', fn (Request $request): Limit => Limit::perMinute(6000)->by((string) $request->ip()));
        RateLimiter::for('forwarded-mail', fn (Request $request): Limit => Limit::perMinute(600)->by((string) $request->ip()));
    }
}
