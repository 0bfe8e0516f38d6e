<?php

declare(strict_types=1);

use App\Rules\HooksController;
use App\Rules\RulesController;
use App\Rules\TryRulesController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->prefix('/rules')->group(function (): void {
    Route::get('/', [RulesController::class, 'index']);
    Route::get('/{rule}/runs', [RulesController::class, 'runs'])->whereNumber('rule');
    Route::middleware('can:administer')->group(function (): void {
        Route::get('/hooks', [HooksController::class, 'index']);
        Route::post('/hooks', [HooksController::class, 'store']);
        Route::post('/hooks/{hook}/retire', [HooksController::class, 'retire']);
    });
    Route::middleware('can:arrange')->group(function (): void {
        Route::get('/new', [RulesController::class, 'make']);
        Route::post('/redraw', [RulesController::class, 'redraw']);
        Route::post('/try', [TryRulesController::class, 'written']);
        Route::post('/', [RulesController::class, 'store']);
        Route::post('/ready-made/{key}', [RulesController::class, 'readyMade']);
        Route::post('/limit', [RulesController::class, 'limit']);
        Route::get('/{rule}', [RulesController::class, 'edit'])->whereNumber('rule');
        Route::post('/{rule}', [RulesController::class, 'update'])->whereNumber('rule');
        Route::get('/{rule}/try', [TryRulesController::class, 'kept'])->whereNumber('rule');
        Route::post('/{rule}/switch', [RulesController::class, 'switch'])->whereNumber('rule');
        Route::post('/{rule}/place', [RulesController::class, 'place'])->whereNumber('rule');
        Route::post('/{rule}/go-on', [RulesController::class, 'goOn'])->whereNumber('rule');
        Route::post('/{rule}/retire', [RulesController::class, 'retire'])->whereNumber('rule');
        Route::post('/{rule}/bring-back', [RulesController::class, 'bringBack'])->whereNumber('rule');
        Route::post('/{rule}/copy', [RulesController::class, 'copy'])->whereNumber('rule');
        Route::post('/{rule}/versions/{version}', [RulesController::class, 'goBack'])
            ->where(['rule' => '\d{1,18}', 'version' => '\d{1,9}']);
        Route::get('/{rule}/versions', [RulesController::class, 'versions'])->whereNumber('rule');
    });
});
