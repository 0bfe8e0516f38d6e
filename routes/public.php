<?php

declare(strict_types=1);

use App\Lookout\PublicController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->prefix('/public')->group(function (): void {
    Route::get('/', [PublicController::class, 'index']);
    Route::post('/posts', [PublicController::class, 'post']);
    Route::post('/items/{item}/conversation', [PublicController::class, 'makeConversation']);
    Route::post('/items/{item}/react', [PublicController::class, 'react']);
});
