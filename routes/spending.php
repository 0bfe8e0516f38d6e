<?php

declare(strict_types=1);

use App\Spending\SpendingController;
use Illuminate\Support\Facades\Route;

Route::get('/refunds/spending', [SpendingController::class, 'show'])->middleware(['auth', 'can:arrange']);
