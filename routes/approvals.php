<?php

declare(strict_types=1);

use App\Approvals\ApprovalsController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::post('/conversations/{conversation}/approvals', [ApprovalsController::class, 'store'])->whereNumber('conversation');
    Route::post('/approvals/{approval}', [ApprovalsController::class, 'answer'])->whereNumber('approval');
});
