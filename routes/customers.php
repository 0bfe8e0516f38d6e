<?php

declare(strict_types=1);

use App\Customers\CustomerController;
use App\Customers\CustomerGroupController;
use App\Customers\SenderController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:answer-customers'])->group(function (): void {
    Route::post('/conversations/{conversation}/is-sender', [SenderController::class, 'isSender']);
    Route::post('/customers/{customer}', [CustomerController::class, 'update'])->whereNumber('customer');
    Route::post('/customers/{customer}/handles', [CustomerController::class, 'addHandle']);
    Route::post('/customers/{customer}/merge', [CustomerController::class, 'merge']);
    Route::post('/customer-merges/{merge}/undo', [CustomerController::class, 'undoMerge']);
    Route::post('/duplicates/{proposal}/dismiss', [CustomerController::class, 'dismiss']);
    Route::post('/customer-groups', [CustomerGroupController::class, 'store']);
    Route::post('/customer-groups/{group}', [CustomerGroupController::class, 'update']);
    Route::delete('/customer-groups/{group}', [CustomerGroupController::class, 'destroy']);
});

Route::middleware('auth')->group(function (): void {
    Route::get('/customers', [CustomerController::class, 'index']);
    Route::get('/customers/{customer}', [CustomerController::class, 'show'])->whereNumber('customer')->name('customer');
    Route::post('/customers/{customer}/notes', [CustomerController::class, 'note']);
    Route::get('/duplicates', [CustomerController::class, 'duplicates']);
    Route::get('/customer-groups', [CustomerGroupController::class, 'index']);
});
