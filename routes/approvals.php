<?php

declare(strict_types=1);

use App\Approvals\ApprovalsController;
use App\Approvals\LimitsController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:administer'])->group(function (): void {
    Route::get('/approval-limits', [LimitsController::class, 'show']);
    Route::post('/approval-limits', [LimitsController::class, 'save']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('/conversations/{conversation}/approvals', [ApprovalsController::class, 'store'])->whereNumber('conversation');
    Route::get('/approvals', [ApprovalsController::class, 'index']);
    Route::get('/approvals/{approval}', [ApprovalsController::class, 'show'])->whereNumber('approval');
    Route::post('/approvals/{approval}', [ApprovalsController::class, 'answer'])->whereNumber('approval');
});
