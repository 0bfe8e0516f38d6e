<?php

declare(strict_types=1);

use App\People\PeopleController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:administer'])->prefix('/people')->group(function (): void {
    Route::get('/', [PeopleController::class, 'index']);
    Route::get('/new', [PeopleController::class, 'create']);
    Route::post('/', [PeopleController::class, 'invite']);
    Route::get('/{teammate}', [PeopleController::class, 'edit'])->whereNumber('teammate');
    Route::post('/{teammate}', [PeopleController::class, 'update'])->whereNumber('teammate');
    Route::post('/{teammate}/pass', [PeopleController::class, 'sendPass'])->whereNumber('teammate');
    Route::post('/{teammate}/sign-ins/end', [PeopleController::class, 'endSignIns'])->whereNumber('teammate');
    Route::post('/second-step', [PeopleController::class, 'requireSecondStep']);
    Route::post('/{teammate}/second-step/end', [PeopleController::class, 'endSecondStep'])->whereNumber('teammate');
    Route::get('/{teammate}/leaving', [PeopleController::class, 'leaving'])->whereNumber('teammate');
    Route::post('/{teammate}/deactivate', [PeopleController::class, 'deactivate'])->whereNumber('teammate');
    Route::post('/{teammate}/activate', [PeopleController::class, 'activate'])->whereNumber('teammate');
});
