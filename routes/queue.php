<?php

declare(strict_types=1);

use App\Queue\QueueController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::redirect('/', '/queue');
    Route::get('/queue/{view?}', [QueueController::class, 'show'])->name('queue');
    Route::get('/queue/{view}/changes', [QueueController::class, 'changes']);
});
