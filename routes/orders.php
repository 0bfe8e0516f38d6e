<?php

declare(strict_types=1);

use App\Orders\OrderController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/orders', [OrderController::class, 'index']);
    Route::get('/orders/{order}', [OrderController::class, 'show'])->whereNumber('order')->name('order');
    Route::post('/conversations/{conversation}/orders', [OrderController::class, 'attach']);
    Route::delete('/conversations/{conversation}/orders/{order}', [OrderController::class, 'detach']);
});
