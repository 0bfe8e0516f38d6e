<?php

declare(strict_types=1);

use App\Notifications\NewsController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/news', [NewsController::class, 'index']);
    Route::get('/news/count', [NewsController::class, 'count']);
    Route::post('/news/read', [NewsController::class, 'readAll']);
    Route::post('/conversations/{conversation}/follow', [NewsController::class, 'follow'])->whereNumber('conversation');
});
