<?php

declare(strict_types=1);

use App\Nudges\NudgePlansController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/nudges', [NudgePlansController::class, 'index']);
    Route::post('/conversations/{conversation}/nudges', [NudgePlansController::class, 'start'])->whereNumber('conversation');
    Route::post('/nudges/running/{nudge}/call-off', [NudgePlansController::class, 'callOff']);
    Route::middleware('can:arrange')->group(function (): void {
        Route::post('/nudges', [NudgePlansController::class, 'store']);
        Route::post('/nudges/{plan}', [NudgePlansController::class, 'update'])->whereNumber('plan');
        Route::post('/nudges/{plan}/retire', [NudgePlansController::class, 'retire']);
        Route::post('/nudges/{plan}/bring-back', [NudgePlansController::class, 'bringBack']);
    });
});
