<?php

declare(strict_types=1);

use App\Exchanges\ExchangesController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:answer-customers'])->group(function (): void {
    Route::prefix('/orders/{order}')->whereNumber('order')->group(function (): void {
        Route::get('/send', [ExchangesController::class, 'form']);
        Route::post('/send', [ExchangesController::class, 'store']);
        Route::post('/send/reckon', [ExchangesController::class, 'reckon']);
        Route::post('/cancel', [ExchangesController::class, 'cancel']);
        Route::post('/address', [ExchangesController::class, 'readdress']);
    });
    Route::get('/exchanges/{exchange}', [ExchangesController::class, 'show'])->whereNumber('exchange');
    Route::post('/exchanges/{exchange}/money', [ExchangesController::class, 'money'])->whereNumber('exchange');
    Route::post('/exchanges/{exchange}/again', [ExchangesController::class, 'again'])->whereNumber('exchange');
});
