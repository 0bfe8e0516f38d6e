<?php

declare(strict_types=1);

use App\Templates\ExchangeController;
use App\Templates\TemplateFilesController;
use App\Templates\TemplatesController;
use App\Templates\UseTemplateController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    // No more digits than a whole number holds.
    $number = '\d{1,18}';
    Route::get('/conversations/{conversation}/templates', [UseTemplateController::class, 'find']);
    Route::get('/conversations/{conversation}/templates/suggested', [UseTemplateController::class, 'suggested']);
    Route::post('/conversations/{conversation}/draft-steps', [UseTemplateController::class, 'step']);
    Route::post(
        '/conversations/{conversation}/templates/{template}', [UseTemplateController::class, 'use']
    )->where(['template' => $number]);

    Route::get('/templates', [TemplatesController::class, 'index']);
    Route::get('/templates/new', [TemplatesController::class, 'make']);
    Route::post('/templates', [TemplatesController::class, 'store']);
    Route::post('/templates/preview', [TemplatesController::class, 'preview']);
    Route::get('/templates/{template}', [TemplatesController::class, 'edit'])->where(['template' => $number]);
    Route::post('/templates/{template}', [TemplatesController::class, 'update'])->where(['template' => $number]);
    Route::get('/templates/{template}/versions', [TemplatesController::class, 'versions'])->where(['template' => $number]);
    Route::post(
        '/templates/{template}/versions/{version}', [TemplatesController::class, 'goBack']
    )->where(['template' => $number, 'version' => $number]);
    Route::post('/templates/{template}/copy', [TemplatesController::class, 'copy'])->where(['template' => $number]);
    Route::post('/templates/{template}/retire', [TemplatesController::class, 'retire'])->where(['template' => $number]);
    Route::post('/templates/{template}/bring-back', [TemplatesController::class, 'bringBack'])->where(['template' => $number]);
    Route::post('/templates/{template}/files', [TemplateFilesController::class, 'store'])->where(['template' => $number]);
    Route::get(
        '/templates/{template}/files/{file}', [TemplateFilesController::class, 'show']
    )->where(['template' => $number, 'file' => $number]);
    Route::delete(
        '/templates/{template}/files/{file}', [TemplateFilesController::class, 'destroy']
    )->where(['template' => $number, 'file' => $number]);

    Route::get('/templates/exchange', [ExchangeController::class, 'show']);
    Route::post('/templates/exchange', [ExchangeController::class, 'take']);
    Route::get('/templates.{format}', [ExchangeController::class, 'give'])->whereIn('format', ['csv', 'json']);
});
