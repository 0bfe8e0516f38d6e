<?php

declare(strict_types=1);

use App\Channels\Mail\TakeMailCommand;
use App\Demo\LoadDemoCommand;
use App\Health\HealthController;
use App\History\ImportHistoryCommand;
use App\SignIn\CheckSignIn;
use App\Store\BeginCommand;
use App\Support\FileGone;
use App\Support\NoteRefusedForms;
use App\Support\PlainText;
use App\Support\Refused;
use App\Support\RegularWork;
use App\Support\SecurityHeaders;
use App\Support\SecurityLog;
use App\Support\StartSession;
use App\Support\WithoutDatabase;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\Middleware\Authorize;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Contracts\Session\Middleware\AuthenticatesSessions;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\HandlePrecognitiveRequests;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Routing\Middleware\ThrottleRequestsWithRedis;
use Illuminate\Session\Middleware\StartSession as FrameworkStartSession;
use Illuminate\Support\Facades\Route;
use Illuminate\View\Middleware\ShareErrorsFromSession;

$root = dirname(__DIR__);
$var = getenv('CAIRNFIELD_VAR') ?: $root.'/var';

// Everything that is written while running lies under var/, the framework's caches too. They are
// looked up while the application is being made, before the environment file is read.
foreach (['services', 'packages', 'config', 'routes-v7', 'events'] as $cache) {
    $name = 'APP_'.strtoupper(strtok($cache, '-')).'_CACHE';
    $_SERVER[$name] ??= "{$var}/cache/{$cache}.php";
}

$app = Application::configure(basePath: $root)
    ->withRouting(
        // While measuring, with the bare page that ours are measured beside.
        web: [
            ...(glob($root.'/routes/*.php') ?: []),
            ...(getenv('CAIRNFIELD_BENCH') === 'yes' ? [$root.'/tests/Bench/bare-page.php'] : []),
        ],
        health: '/up',
        // Without a session, which needs the database: it is to say so when that is away.
        then: static fn () => Route::get('/health', [HealthController::class, 'show']),
    )
    ->withCommands([TakeMailCommand::class, LoadDemoCommand::class, BeginCommand::class, ImportHistoryCommand::class])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->web(append: [PlainText::class, NoteRefusedForms::class]);
        $middleware->web(replace: [FrameworkStartSession::class => StartSession::class]);
        $middleware->web(append: [CheckSignIn::class]);
        // Who may not open a kind of thing does not learn which of them there are.
        $middleware->priority([
            HandlePrecognitiveRequests::class, EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class,
            ShareErrorsFromSession::class, AuthenticatesRequests::class, ThrottleRequests::class, ThrottleRequestsWithRedis::class,
            AuthenticatesSessions::class, Authorize::class, SubstituteBindings::class,
        ]);
        // Before anybody relies on it.
        $middleware->prependToPriorityList(before: AuthenticatesRequests::class, prepend: CheckSignIn::class);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/queue');
        // The forwarding shop signs each request instead; see ForwardedMailController. Pages of customers have no
        // session; what they may do is in the signed address, or is open to everybody.
        $middleware->validateCsrfTokens(except: ['intake/mail/*', 'intake/events/*', 'forms/*', 'rate/*']);
    })
    ->withSchedule(fn (Schedule $schedule) => app(RegularWork::class)->planOn($schedule))
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontFlash(['password', 'imap_password', 'smtp_password', 'api_key']);
        $exceptions->render(static fn (FileGone $gone, Request $request) => response()->view('errors.404', status: 404));
        $exceptions->dontReport(Refused::class);
        // Not as a fault: in the log of its own.
        $exceptions->stopIgnoring(AuthorizationException::class);
        $exceptions->report(static function (AuthorizationException $refused): bool {
            SecurityLog::note('refused', ['method' => request()->method(), 'path' => mb_substr(request()->path(), 0, 200)]);

            return false;
        });
        // A part of a page that is asked for by somebody who was signed out: the whole page goes, and not a form into the part.
        $exceptions->render(static fn (AuthenticationException $guest, Request $request) => $request->hasHeader('HX-Request')
            ? CheckSignIn::to($request, '/sign-in')
            : null);
        $exceptions->render(static fn (Refused $why, Request $request) => $request->expectsJson()
            ? response()->json(['error' => ['code' => $why->reason, 'message' => $why->getMessage(), 'at' => $why->at]], 422)
            : back()->withInput()->with(['problem' => $why->getMessage(), 'problem_code' => $why->reason]));
        $exceptions->render(WithoutDatabase::render(...));
        // Looked up and free, and taken before it was stored: two people gave one name in the same moment.
        $exceptions->render(static fn (
            UniqueConstraintViolationException $taken, Request $request
        ) => $request->isMethodSafe() || $request->expectsJson()
            ? null
            : back()->withInput()->with(
                'problem', 'Not saved: somebody else has just saved the same. Look at what is there now, then send it again.'
            ));
    })
    ->create();

$app->useEnvironmentPath($var);
$app->useStoragePath($var.'/storage');

return $app;
