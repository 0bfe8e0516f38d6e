<?php

declare(strict_types=1);

// The bare page that ours are measured beside: the framework, its session, who is signed in, one query.

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

Route::middleware('auth')->get('/bench/bare', static fn (): string => (string) DB::scalar('SELECT COUNT(*) FROM teams'));
