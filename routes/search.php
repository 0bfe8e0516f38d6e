<?php

declare(strict_types=1);

use App\Search\GoToController;
use App\Search\SearchController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/search', [SearchController::class, 'show']);
    Route::get('/search/complete', [SearchController::class, 'complete']);
    Route::get('/go-to', [GoToController::class, 'find']);
});
