<?php

declare(strict_types=1);

use App\Workspace\AttachmentController;
use App\Workspace\ConversationController;
use App\Workspace\DetailsController;
use App\Workspace\JunkController;
use App\Workspace\NoteController;
use App\Workspace\OwnershipController;
use App\Workspace\StateController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::post('/queue/next', [OwnershipController::class, 'next']);

    Route::prefix('/conversations/{conversation}')->whereNumber('conversation')->group(function (): void {
        Route::get('/', [ConversationController::class, 'show'])->name('conversation');
        Route::get('/changes', [ConversationController::class, 'changes']);
        Route::post('/left', [ConversationController::class, 'left']);
        Route::post('/notes', [NoteController::class, 'add']);
        Route::post('/take', [OwnershipController::class, 'take']);
        Route::post('/owner', [OwnershipController::class, 'assign']);
        Route::post('/state', [StateController::class, 'change']);
        Route::post('/hold', [StateController::class, 'hold']);
        Route::post('/bring-back', [StateController::class, 'bringBack']);
        Route::post('/resolve', [StateController::class, 'resolve']);
        Route::post('/category', [StateController::class, 'category']);
        Route::post('/junk', [JunkController::class, 'junk']);
        Route::post('/not-junk', [JunkController::class, 'notJunk']);
        Route::post('/priority', [DetailsController::class, 'priority']);
        Route::post('/language', [DetailsController::class, 'language']);
        Route::post('/team', [DetailsController::class, 'team']);
        Route::post('/tags', [DetailsController::class, 'tags']);
        Route::post('/fields', [DetailsController::class, 'fields']);
    });

    Route::get('/messages/{message}/original', [AttachmentController::class, 'original']);
    Route::get('/attachments/{attachment}', [AttachmentController::class, 'show']);
});
