<?php

declare(strict_types=1);

use App\CreditNotes\CreditNotesController;
use Illuminate\Support\Facades\Route;

// With the key that stands in the customer's mail.
Route::get('/credit-note/{key}', [CreditNotesController::class, 'customers'])->whereUuid('key')->middleware('throttle:60,1')
    ->name('credit-note');

Route::middleware(['auth', 'can:answer-customers'])->group(function (): void {
    Route::get('/credit-notes/{note}', [CreditNotesController::class, 'show'])->whereNumber('note');
    Route::post('/credit-notes/{note}/correct', [CreditNotesController::class, 'correct'])->whereNumber('note')
        ->middleware('can:give-back');
});
