<?php

declare(strict_types=1);

use App\Orders\BuyerController;
use App\Orders\OrderController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/orders', [OrderController::class, 'index']);
    Route::get('/orders/{order}', [OrderController::class, 'show'])->whereNumber('order')->name('order');
    Route::post('/conversations/{conversation}/orders', [OrderController::class, 'attach']);
    Route::delete('/conversations/{conversation}/orders/{order}', [OrderController::class, 'detach']);
    Route::prefix('/conversations/{conversation}/orders/{order}')->whereNumber(['conversation', 'order'])->group(function (): void {
        Route::post('/may-know', [BuyerController::class, 'mayKnow']);
        Route::post('/is-buyer', [BuyerController::class, 'isBuyer']);
        Route::post('/ask', [BuyerController::class, 'ask']);
    });
});
