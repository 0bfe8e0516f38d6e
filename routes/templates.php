<?php

declare(strict_types=1);

use App\Templates\ExchangeController;
use App\Templates\TemplateFilesController;
use App\Templates\TemplatesController;
use App\Templates\UseTemplateController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::get('/conversations/{conversation}/templates', [UseTemplateController::class, 'find']);
    Route::get('/conversations/{conversation}/templates/suggested', [UseTemplateController::class, 'suggested']);
    Route::post('/conversations/{conversation}/draft-steps', [UseTemplateController::class, 'step']);
    Route::post('/conversations/{conversation}/templates/{template}', [UseTemplateController::class, 'use'])->whereNumber('template');

    Route::get('/templates', [TemplatesController::class, 'index']);
    Route::get('/templates/new', [TemplatesController::class, 'make']);
    Route::post('/templates', [TemplatesController::class, 'store']);
    Route::post('/templates/preview', [TemplatesController::class, 'preview']);
    Route::get('/templates/{template}', [TemplatesController::class, 'edit'])->whereNumber('template');
    Route::post('/templates/{template}', [TemplatesController::class, 'update'])->whereNumber('template');
    Route::get('/templates/{template}/versions', [TemplatesController::class, 'versions']);
    Route::post('/templates/{template}/versions/{version}', [TemplatesController::class, 'goBack'])->whereNumber('version');
    Route::post('/templates/{template}/retire', [TemplatesController::class, 'retire']);
    Route::post('/templates/{template}/bring-back', [TemplatesController::class, 'bringBack']);
    Route::post('/templates/{template}/files', [TemplateFilesController::class, 'store']);
    Route::get('/templates/{template}/files/{file}', [TemplateFilesController::class, 'show']);
    Route::delete('/templates/{template}/files/{file}', [TemplateFilesController::class, 'destroy']);

    Route::get('/templates/exchange', [ExchangeController::class, 'show']);
    Route::post('/templates/exchange', [ExchangeController::class, 'take']);
    Route::get('/templates.{format}', [ExchangeController::class, 'give'])->whereIn('format', ['csv', 'json']);
});
