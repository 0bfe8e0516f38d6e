<?php

declare(strict_types=1);

use App\Views\BoardController;
use App\Views\ViewsController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/views/new', [ViewsController::class, 'make']);
    Route::post('/views/redraw', [ViewsController::class, 'redraw']);
    Route::post('/views', [ViewsController::class, 'store']);
    Route::get('/views/{view}', [ViewsController::class, 'edit'])->whereNumber('view');
    Route::post('/views/{view}', [ViewsController::class, 'update'])->whereNumber('view');
    Route::delete('/views/{view}', [ViewsController::class, 'destroy'])->whereNumber('view');

    Route::get('/queue/{view}/board', [BoardController::class, 'show']);
    Route::get('/queue/{view}/board/changes', [BoardController::class, 'changes']);
    Route::post('/board/move', [BoardController::class, 'move']);
});
