<?php

declare(strict_types=1);

use App\Team\AvailabilityController;
use App\Team\OwnSettingsController;
use App\Team\TeamsController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/own-settings', [OwnSettingsController::class, 'show']);
    Route::post('/own-settings', [OwnSettingsController::class, 'save']);
    Route::post('/people/{teammate}/away', [AvailabilityController::class, 'away'])->whereNumber('teammate');
    Route::post('/people/{teammate}/says', [AvailabilityController::class, 'say'])->whereNumber('teammate');
    Route::post('/people/{teammate}/here', [AvailabilityController::class, 'here'])->whereNumber('teammate');
    Route::middleware('can:arrange')->prefix('/sorting')->group(function (): void {
        Route::get('/teams', [TeamsController::class, 'index']);
        Route::post('/teams', [TeamsController::class, 'store']);
        Route::post('/teams/{team}', [TeamsController::class, 'update'])->whereNumber('team');
        Route::post('/people/{teammate}/speaks', [TeamsController::class, 'speaks'])->whereNumber('teammate');
        Route::post('/away-words', [TeamsController::class, 'awayWords']);
    });
});
