<?php

declare(strict_types=1);

use App\SetUp\SetUpController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->get('/set-up', [SetUpController::class, 'show'])->name('set-up');
