<?php

declare(strict_types=1);

use App\Channels\WebForm\FormController;
use Illuminate\Support\Facades\Route;

Route::prefix('/forms/{name}')->group(function (): void {
    Route::get('/', [FormController::class, 'show']);
    Route::get('/frame', [FormController::class, 'frame']);
    Route::post('/', [FormController::class, 'send']);
});
