<?php

declare(strict_types=1);

use App\Hours\HoursController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:arrange'])->prefix('/hours')->group(function (): void {
    Route::get('/', [HoursController::class, 'index']);
    Route::get('/new', [HoursController::class, 'create']);
    Route::post('/', [HoursController::class, 'store']);
    Route::prefix('/{calendar}')->whereNumber('calendar')->group(function (): void {
        Route::get('/', [HoursController::class, 'show']);
        Route::post('/', [HoursController::class, 'update']);
        Route::post('/days', [HoursController::class, 'putDay']);
        Route::post('/days/remove', [HoursController::class, 'removeDays']);
        Route::post('/import', [HoursController::class, 'import']);
        Route::post('/main', [HoursController::class, 'makeMain']);
        Route::post('/remove', [HoursController::class, 'remove']);
    });
});
