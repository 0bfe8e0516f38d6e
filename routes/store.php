<?php

declare(strict_types=1);

use App\Store\BeginController;
use Illuminate\Support\Facades\Route;

// By the one-time link, until there is an administrator.
Route::prefix('/begin/{key}')->where(['key' => '[A-Za-z0-9_-]{32}'])->middleware('throttle:begin')->group(function (): void {
    Route::get('/', [BeginController::class, 'show']);
    Route::post('/store', [BeginController::class, 'saveStore']);
    Route::post('/administrator', [BeginController::class, 'makeAdministrator']);
});

Route::middleware(['auth', 'can:administer'])->group(function (): void {
    Route::get('/begin', [BeginController::class, 'steps']);
    Route::post('/begin/first-set', [BeginController::class, 'takeFirstSet']);
    Route::post('/begin/leave', [BeginController::class, 'leave']);
    Route::get('/store', [BeginController::class, 'storePage']);
    Route::post('/store', [BeginController::class, 'changeStore']);
});
