<?php

declare(strict_types=1);

use App\Ratings\RatingController;
use App\Ratings\RatingLink;
use Illuminate\Support\Facades\Route;

Route::get('/rate/{conversation}', [RatingController::class, 'show'])->whereNumber('conversation')->name(RatingLink::ROUTE);
Route::post('/rate/{conversation}', [RatingController::class, 'store'])->whereNumber('conversation');
