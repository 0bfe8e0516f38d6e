<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Mail\AccountController;
use App\Channels\Mail\ForwardedMailController;
use App\Channels\Mail\UnreadableMailController;
use Illuminate\Support\Facades\Route;

Route::post('/intake/mail/{account}', ForwardedMailController::class)->middleware('throttle:forwarded-mail');

Route::middleware(['auth', 'can:administer,'.Account::class])->group(function (): void {
    Route::get('/accounts', [AccountController::class, 'index']);
    Route::get('/accounts/new', [AccountController::class, 'create']);
    Route::post('/accounts', [AccountController::class, 'store']);
    Route::get('/accounts/{account}', [AccountController::class, 'edit']);
    Route::post('/accounts/{account}', [AccountController::class, 'update']);
    Route::post('/accounts/{account}/forward-secret', [AccountController::class, 'renewForwardSecret']);
    Route::post('/accounts/{account}/check', [AccountController::class, 'check']);

    Route::get('/unreadable-mail', [UnreadableMailController::class, 'index']);
    Route::get('/unreadable-mail/{mail}/original', [UnreadableMailController::class, 'original']);
    Route::post('/unreadable-mail/{mail}/take', [UnreadableMailController::class, 'take']);
    Route::post('/unreadable-mail/{mail}/put-aside', [UnreadableMailController::class, 'putAside']);
});
