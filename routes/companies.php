<?php

declare(strict_types=1);

use App\Companies\CompanyController;
use App\Companies\CompanyOfCustomerController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:answer-customers'])->group(function (): void {
    Route::post('/companies', [CompanyController::class, 'store']);
    Route::post('/companies/{company}', [CompanyController::class, 'update']);
    Route::delete('/companies/{company}', [CompanyController::class, 'destroy']);
    Route::post('/companies/{company}/fields', [CompanyController::class, 'fields']);
    Route::post('/companies/{company}/people', [CompanyController::class, 'addPerson']);
    Route::post('/companies/{company}/merge', [CompanyController::class, 'merge']);
    Route::post('/company-merges/{companyMerge}/undo', [CompanyController::class, 'undoMerge']);
    Route::post('/customers/{customer}/company', [CompanyOfCustomerController::class, 'update']);
    Route::post('/company-proposals/{companyProposal}/confirm', [CompanyOfCustomerController::class, 'confirm']);
    Route::post('/company-proposals/{companyProposal}/dismiss', [CompanyOfCustomerController::class, 'dismiss']);
});

Route::middleware('auth')->group(function (): void {
    Route::get('/companies', [CompanyController::class, 'index']);
    Route::get('/companies/{company}', [CompanyController::class, 'show'])->name('company');
    Route::post('/companies/{company}/notes', [CompanyController::class, 'note']);
});
