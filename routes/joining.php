<?php

declare(strict_types=1);

use App\Joining\JoiningController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::prefix('/conversations/{conversation}')->whereNumber('conversation')->group(function (): void {
        Route::post('/join', [JoiningController::class, 'joinOther']);
        Route::post('/separate', [JoiningController::class, 'separate']);
    });

    Route::get('/join', [JoiningController::class, 'choose']);
    Route::post('/join', [JoiningController::class, 'joinChosen']);
    Route::post('/messages/{message}/split', [JoiningController::class, 'split']);
});
