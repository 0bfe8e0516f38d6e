<?php

declare(strict_types=1);

use App\Checklists\ChecklistsController;
use App\Checklists\StartedChecklistsController;
use App\Tasks\TasksController;
use Illuminate\Support\Facades\Route;

Route::get('/calendar/{key}.ics', [TasksController::class, 'feed'])->where('key', '[A-Za-z0-9]{40}')->middleware('throttle:60,1');

Route::middleware('auth')->group(function (): void {
    Route::get('/tasks', [TasksController::class, 'index']);
    Route::post('/tasks', [TasksController::class, 'store']);
    Route::post('/tasks/calendar', [TasksController::class, 'newKey']);
    Route::post('/tasks/{task}', [TasksController::class, 'tick'])->whereNumber('task');
    Route::post('/conversations/{conversation}/tasks', [TasksController::class, 'store'])->whereNumber('conversation');
    Route::post('/conversations/{conversation}/checklists', [StartedChecklistsController::class, 'start'])->whereNumber('conversation');
    Route::post('/started-checklists/{started}', [StartedChecklistsController::class, 'tick'])->whereNumber('started');
});

Route::middleware(['auth', 'can:arrange'])->group(function (): void {
    Route::get('/sorting/checklists', [ChecklistsController::class, 'index']);
    Route::post('/sorting/checklists', [ChecklistsController::class, 'store']);
    Route::post('/sorting/checklists/{checklist}', [ChecklistsController::class, 'update'])->whereNumber('checklist');
    Route::post('/sorting/checklists/{checklist}/retire', [ChecklistsController::class, 'retire'])->whereNumber('checklist');
    Route::post('/sorting/checklists/{checklist}/bring-back', [ChecklistsController::class, 'bringBack'])->whereNumber('checklist');
});
