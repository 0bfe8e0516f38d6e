<?php

declare(strict_types=1);

use App\Inbox\AttachmentController;
use App\Inbox\ConversationController;
use App\Inbox\DetailsController;
use App\Inbox\DraftController;
use App\Inbox\ForwardController;
use App\Inbox\JoiningController;
use App\Inbox\JunkController;
use App\Inbox\NoteController;
use App\Inbox\OwnershipController;
use App\Inbox\PartnerController;
use App\Inbox\QueueController;
use App\Inbox\ReplyController;
use App\Inbox\StateController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::redirect('/', '/queue');
    Route::post('/queue/next', [OwnershipController::class, 'next']);
    Route::get('/queue/{view?}', [QueueController::class, 'show'])->name('queue');
    Route::get('/queue/{view}/changes', [QueueController::class, 'changes']);

    Route::prefix('/conversations/{conversation}')->whereNumber('conversation')->group(function (): void {
        Route::get('/', [ConversationController::class, 'show'])->name('conversation');
        Route::get('/changes', [ConversationController::class, 'changes']);
        Route::post('/left', [ConversationController::class, 'left']);
        Route::post('/reply', [ReplyController::class, 'send']);
        Route::get('/forward', [ForwardController::class, 'write']);
        Route::post('/forward', [ForwardController::class, 'send']);
        Route::post('/partner', [PartnerController::class, 'ask']);
        Route::post('/copies', [ForwardController::class, 'copies']);
        Route::post('/notes', [NoteController::class, 'add']);
        Route::post('/take', [OwnershipController::class, 'take']);
        Route::post('/owner', [OwnershipController::class, 'assign']);
        Route::post('/state', [StateController::class, 'change']);
        Route::post('/hold', [StateController::class, 'hold']);
        Route::post('/bring-back', [StateController::class, 'bringBack']);
        Route::post('/resolve', [StateController::class, 'resolve']);
        Route::post('/join', [JoiningController::class, 'joinOther']);
        Route::post('/separate', [JoiningController::class, 'separate']);
        Route::post('/junk', [JunkController::class, 'junk']);
        Route::post('/not-junk', [JunkController::class, 'notJunk']);
        Route::post('/priority', [DetailsController::class, 'priority']);
        Route::post('/language', [DetailsController::class, 'language']);
        Route::post('/team', [DetailsController::class, 'team']);
        Route::post('/tags', [DetailsController::class, 'tags']);
        Route::post('/fields', [DetailsController::class, 'fields']);
        Route::post('/category', [StateController::class, 'category']);
        Route::post('/drafts/{kind}', [DraftController::class, 'keep'])->whereIn('kind', ['reply', 'note', 'partner']);
        Route::post('/draft-files', [DraftController::class, 'attach']);
        Route::delete('/draft-files/{sha256}', [DraftController::class, 'detach']);
    });

    Route::get('/join', [JoiningController::class, 'choose']);
    Route::post('/join', [JoiningController::class, 'joinChosen']);
    Route::post('/scheduled/{scheduled}/call-off', [ReplyController::class, 'callOff']);
    Route::post('/scheduled/{scheduled}/send-now', [ReplyController::class, 'sendNow']);
    Route::post('/messages/{message}/split', [JoiningController::class, 'split']);
    Route::post('/messages/{message}/call-back', [ReplyController::class, 'callBack']);
    Route::post('/messages/{message}/send-again', [ReplyController::class, 'sendAgain']);
    Route::get('/messages/{message}/original', [AttachmentController::class, 'original']);
    Route::get('/attachments/{attachment}', [AttachmentController::class, 'show']);
});
