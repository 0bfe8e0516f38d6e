<?php

declare(strict_types=1);

use App\Routing\ReachUpwardsController;
use App\Routing\RoutingController;
use App\Routing\WhoIsHereController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/team', [WhoIsHereController::class, 'index']);
    Route::get('/team/{teammate}/meanwhile', [WhoIsHereController::class, 'meanwhile'])->whereNumber('teammate');
    Route::post('/team/{teammate}/hand-out', [WhoIsHereController::class, 'handOut'])->whereNumber('teammate');
    Route::post('/team/{teammate}/move', [WhoIsHereController::class, 'move'])->whereNumber('teammate')->middleware('can:arrange');
    Route::middleware('can:arrange')->group(function (): void {
        Route::get('/routing', [RoutingController::class, 'show']);
        Route::post('/routing', [RoutingController::class, 'try']);
    });
    Route::post('/conversations/{conversation}/upwards', [ReachUpwardsController::class, 'store'])->whereNumber('conversation');
});
