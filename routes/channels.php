<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\AccountController;
use App\Channels\ArrivalController;
use App\Channels\Mail\ForwardedMailController;
use App\Channels\Mail\UnreadableMailController;
use App\Channels\Services\EventsController;
use App\Channels\Services\TroublesController;
use App\Receiving\Calls\CallController;
use Illuminate\Support\Facades\Route;

Route::post('/intake/mail/{account}', ForwardedMailController::class)->middleware('throttle:forwarded-mail');

Route::post('/intake/events/{account}', EventsController::class)->middleware('throttle:events');

Route::middleware('auth')->group(function (): void {
    Route::get('/calls/new', [CallController::class, 'create']);
    Route::get('/calls/who', [CallController::class, 'who']);
    Route::post('/calls', [CallController::class, 'store']);
});

Route::middleware(['auth', 'can:administer,'.Account::class])->group(function (): void {
    Route::post('/accounts/inside-hosts/forbid', [AccountController::class, 'forbidInside']);
    Route::get('/accounts', [AccountController::class, 'index']);
    Route::get('/accounts/new', [AccountController::class, 'create']);
    Route::post('/accounts', [AccountController::class, 'store']);
    Route::get('/accounts/{account}', [AccountController::class, 'edit']);
    Route::post('/accounts/{account}', [AccountController::class, 'update']);
    Route::post('/accounts/{account}/check', [AccountController::class, 'check']);
    Route::post('/accounts/{account}/pause', [AccountController::class, 'pause']);
    Route::post('/accounts/{account}/disconnect', [AccountController::class, 'disconnect']);
    Route::post('/accounts/{account}/reconnect', [AccountController::class, 'reconnect']);
    Route::post('/accounts/{account}/forward-secret', [AccountController::class, 'renewForwardSecret']);

    Route::get('/arrival', [ArrivalController::class, 'show']);
    Route::post('/arrival/patterns', [ArrivalController::class, 'savePatterns']);
    Route::post('/arrival/blocked', [ArrivalController::class, 'block']);
    Route::delete('/arrival/blocked/{sender}', [ArrivalController::class, 'unblock']);

    Route::get('/troubles', [TroublesController::class, 'index']);
    Route::post('/troubles/{trace}/take', [TroublesController::class, 'take']);
    Route::post('/troubles/{trace}/put-aside', [TroublesController::class, 'putAside']);

    Route::get('/unreadable-mail', [UnreadableMailController::class, 'index']);
    Route::get('/unreadable-mail/{mail}/original', [UnreadableMailController::class, 'original']);
    Route::post('/unreadable-mail/{mail}/take', [UnreadableMailController::class, 'take']);
    Route::post('/unreadable-mail/{mail}/put-aside', [UnreadableMailController::class, 'putAside']);
});
