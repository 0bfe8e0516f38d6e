<?php

declare(strict_types=1);

use App\Promises\AgreedTimeController;
use App\Promises\PromisesController;
use App\Promises\RecordController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::prefix('/conversations/{conversation}')->whereNumber('conversation')->group(function (): void {
        Route::get('/promises', [AgreedTimeController::class, 'show']);
        Route::post('/agreed', [AgreedTimeController::class, 'store']);
        Route::post('/agreed/take-back', [AgreedTimeController::class, 'takeBack']);
    });
    Route::middleware('can:arrange')->prefix('/promises')->group(function (): void {
        Route::get('/', [PromisesController::class, 'index']);
        Route::post('/', [PromisesController::class, 'store']);
        Route::get('/new', [PromisesController::class, 'create']);
        Route::get('/progress', [PromisesController::class, 'progress']);
        Route::post('/redraw', [PromisesController::class, 'redraw']);
        Route::post('/preview', [PromisesController::class, 'preview']);
        Route::prefix('/{set}')->whereNumber('set')->group(function (): void {
            Route::get('/', [PromisesController::class, 'show']);
            Route::post('/', [PromisesController::class, 'update']);
            Route::post('/switch', [PromisesController::class, 'switch']);
            Route::post('/place', [PromisesController::class, 'place']);
            Route::post('/retire', [PromisesController::class, 'retire']);
            Route::post('/bring-back', [PromisesController::class, 'bringBack']);
            Route::get('/versions', [PromisesController::class, 'versions']);
            Route::get('/record', [RecordController::class, 'show']);
            Route::get('/record/behind', [RecordController::class, 'behind']);
            Route::get('/record.csv', [RecordController::class, 'csv']);
        });
    });
});
