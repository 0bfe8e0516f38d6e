<?php

declare(strict_types=1);

use App\Bulk\BulkController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::post('/bulk', [BulkController::class, 'plan']);
    Route::get('/bulk/{bulk}', [BulkController::class, 'show'])->whereNumber('bulk');
    Route::get('/bulk/{bulk}/progress', [BulkController::class, 'progress'])->whereNumber('bulk');
    Route::post('/bulk/{bulk}', [BulkController::class, 'make'])->whereNumber('bulk');
    Route::post('/bulk/{bulk}/undo', [BulkController::class, 'undo'])->whereNumber('bulk');
});
