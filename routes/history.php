<?php

declare(strict_types=1);

use App\History\HistoryController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:administer'])->prefix('/history')->group(function (): void {
    Route::get('/', [HistoryController::class, 'index']);
    Route::post('/', [HistoryController::class, 'store']);
    Route::get('/export', [HistoryController::class, 'export']);
    Route::get('/{import}', [HistoryController::class, 'show'])->whereNumber('import');
    Route::post('/{import}/stop', [HistoryController::class, 'stop']);
    Route::post('/{import}/go-on', [HistoryController::class, 'goOn']);
});
