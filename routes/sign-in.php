<?php

declare(strict_types=1);

use App\SignIn\OwnSignInController;
use App\SignIn\PassController;
use App\SignIn\SecondFactorController;
use App\SignIn\SignInController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'signIn']);
    Route::get('/sign-in/second-step', [SecondFactorController::class, 'ask']);
    Route::post('/sign-in/second-step', [SecondFactorController::class, 'answer']);
    Route::get('/forgotten', [PassController::class, 'forgotten']);
    Route::post('/forgotten', [PassController::class, 'ask'])->middleware('throttle:forgotten');
});
// Whoever opens it, also somebody who is signed in: it says itself whom it is for.
Route::get('/pass/{key}', [PassController::class, 'show'])->where('key', '[A-Za-z0-9_-]{32}');
Route::post('/pass/{key}', [PassController::class, 'use'])->where('key', '[A-Za-z0-9_-]{32}')->middleware('throttle:forgotten');

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'signOut']);
    Route::get('/own-sign-in', [OwnSignInController::class, 'show']);
    Route::post('/own-sign-in/password', [OwnSignInController::class, 'changePassword']);
    Route::get('/own-sign-in/second-step', [SecondFactorController::class, 'show']);
    Route::post('/own-sign-in/second-step', [SecondFactorController::class, 'begin']);
    Route::post('/own-sign-in/second-step/end', [SecondFactorController::class, 'end']);
    Route::post('/own-sign-in/recovery-codes', [SecondFactorController::class, 'newRecoveryCodes']);
    Route::post('/own-sign-in/others/end', [OwnSignInController::class, 'endOthers']);
    Route::post('/own-sign-in/{signIn}/end', [OwnSignInController::class, 'end'])->whereNumber('signIn');
});
