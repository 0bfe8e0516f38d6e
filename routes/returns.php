<?php

declare(strict_types=1);

use App\Returns\AskReturnController;
use App\Returns\BenchController;
use App\Returns\PoliciesController;
use App\Returns\ReturnFilesController;
use Illuminate\Support\Facades\Route;

// With the key that stands in the customer's mail.
Route::get('/label/{key}', [ReturnFilesController::class, 'customersLabel'])->whereUuid('key')->middleware('throttle:60,1')->name('label');

Route::middleware('auth')->group(function (): void {
    Route::prefix('/orders/{order}/return')->whereNumber('order')->group(function (): void {
        Route::get('/', [AskReturnController::class, 'form']);
        Route::post('/offer', [AskReturnController::class, 'offer']);
        Route::post('/', [AskReturnController::class, 'store']);
    });
    Route::get('/returns', [BenchController::class, 'index']);
    Route::post('/returns/scan', [BenchController::class, 'scan']);
    Route::get('/return-photos/{photo}', [ReturnFilesController::class, 'photo'])->whereNumber('photo');
    Route::prefix('/returns/{return}')->whereNumber('return')->group(function (): void {
        Route::get('/', [BenchController::class, 'show'])->name('return');
        Route::get('/label', [ReturnFilesController::class, 'label']);
        foreach (['arrive', 'inspect', 'photos', 'label'] as $step) {
            Route::post("/{$step}", [BenchController::class, $step]);
        }
        foreach (['agree', 'decline', 'withdraw', 'settle'] as $step) {
            Route::post("/{$step}", [BenchController::class, $step])->middleware('can:answer-customers');
        }
    });
});

Route::middleware(['auth', 'can:arrange'])->group(function (): void {
    Route::get('/return-policies', [PoliciesController::class, 'index']);
    Route::get('/return-policies/reasons/{reason}/policies/new', [PoliciesController::class, 'create'])->whereNumber('reason');
    Route::post('/return-policies/reasons/{reason}/policies', [PoliciesController::class, 'store'])->whereNumber('reason');
    Route::post('/return-policies/bench', [PoliciesController::class, 'bench']);
    Route::get('/return-policies/{policy}', [PoliciesController::class, 'show'])->whereNumber('policy');
    Route::post('/return-policies/{policy}', [PoliciesController::class, 'update'])->whereNumber('policy');
    Route::post('/return-policies/{policy}/retire', [PoliciesController::class, 'retire'])->whereNumber('policy');
    Route::post('/return-policies/reasons', [PoliciesController::class, 'addReason']);
    Route::post('/return-policies/reasons/{reason}', [PoliciesController::class, 'renameReason'])->whereNumber('reason');
    Route::post('/return-policies/reasons/{reason}/retire', [PoliciesController::class, 'retireReason'])->whereNumber('reason');
    Route::post('/return-policies/reasons/{reason}/bring-back', [PoliciesController::class, 'bringBackReason'])->whereNumber('reason');
});
