<?php

declare(strict_types=1);

use App\Team\OwnSettingsController;
use App\Team\SignInController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'signIn'])->middleware('throttle:sign-in');
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'signOut']);
    Route::get('/own-settings', [OwnSettingsController::class, 'show']);
    Route::post('/own-settings', [OwnSettingsController::class, 'save']);
});
