<?php

declare(strict_types=1);

use App\Answering\DraftController;
use App\Answering\ForwardController;
use App\Answering\PartnerController;
use App\Answering\ReplyController;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->group(function (): void {
    Route::prefix('/conversations/{conversation}')->whereNumber('conversation')->group(function (): void {
        Route::post('/reply', [ReplyController::class, 'send']);
        Route::get('/forward', [ForwardController::class, 'write']);
        Route::post('/forward', [ForwardController::class, 'send']);
        Route::post('/partner', [PartnerController::class, 'ask']);
        Route::post('/copies', [ForwardController::class, 'copies']);
        Route::post('/drafts/{kind}', [DraftController::class, 'keep'])->whereIn('kind', ['reply', 'note', 'partner']);
        Route::post('/draft-files', [DraftController::class, 'attach']);
        Route::delete('/draft-files/{sha256}', [DraftController::class, 'detach']);
    });

    Route::post('/scheduled/{scheduled}/call-off', [ReplyController::class, 'callOff']);
    Route::post('/scheduled/{scheduled}/send-now', [ReplyController::class, 'sendNow']);
    Route::post('/messages/{message}/call-back', [ReplyController::class, 'callBack']);
    Route::post('/messages/{message}/send-again', [ReplyController::class, 'sendAgain']);
});
