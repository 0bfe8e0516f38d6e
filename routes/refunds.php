<?php

declare(strict_types=1);

use App\Refunds\RefundsController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:answer-customers'])->group(function (): void {
    Route::prefix('/orders/{order}/refund')->whereNumber('order')->group(function (): void {
        Route::get('/', [RefundsController::class, 'sheet'])->name('refund-sheet');
        Route::post('/reckon', [RefundsController::class, 'reckon']);
        Route::post('/', [RefundsController::class, 'store']);
        Route::post('/ask', [RefundsController::class, 'ask']);
    });
    Route::get('/refunds', [RefundsController::class, 'index']);
    Route::post('/refunds/compare', [RefundsController::class, 'compare'])->middleware('can:give-back');
    Route::post('/refunds/differences/{payout}', [RefundsController::class, 'settleDifference'])->whereNumber('payout')
        ->middleware('can:give-back');
    Route::get('/refunds/{refund}', [RefundsController::class, 'show'])->whereNumber('refund');
    Route::post('/refunds/{refund}/again', [RefundsController::class, 'again'])->whereNumber('refund')->middleware('can:give-back');
    Route::post('/refunds/{refund}/as-credit', [RefundsController::class, 'asCredit'])->whereNumber('refund')
        ->middleware('can:give-back');
    Route::post('/refunds/{refund}/other-way', [RefundsController::class, 'otherWay'])->whereNumber('refund')
        ->middleware('can:give-back');
    Route::post('/refunds/{refund}/other-way/agree', [RefundsController::class, 'agreeToOtherWay'])->whereNumber('refund')
        ->middleware('can:give-back');
    Route::post('/refunds/{refund}/withdraw', [RefundsController::class, 'withdraw'])->whereNumber('refund')
        ->middleware('can:give-back');
});
