<?php

declare(strict_types=1);

use App\Sorting\CategoriesController;
use App\Sorting\FieldsController;
use App\Sorting\OutcomesController;
use App\Sorting\TagsController;
use Illuminate\Support\Facades\Route;

Route::middleware(['auth', 'can:arrange'])->prefix('/sorting')->group(function (): void {
    Route::redirect('/', '/sorting/categories');
    foreach (
        [
            'categories/{category}' => CategoriesController::class, 'outcomes/{outcome}' => OutcomesController::class,
            'tags/{tag}' => TagsController::class, 'fields/{field}' => FieldsController::class,
        ] as $one => $controller
    ) {
        $all = strtok($one, '/');
        Route::get("/{$all}", [$controller, 'index']);
        Route::post("/{$all}", [$controller, 'store']);
        Route::post("/{$one}", [$controller, 'update'])->whereNumber(substr($one, (int) strpos($one, '{') + 1, -1));
        Route::post("/{$one}/retire", [$controller, 'retire']);
        Route::post("/{$one}/bring-back", [$controller, 'bringBack']);
    }
    Route::get('/categories/{category}', [CategoriesController::class, 'edit']);
    Route::post('/categories/{category}/merge', [CategoriesController::class, 'merge']);
    Route::post('/outcomes/{outcome}/merge', [OutcomesController::class, 'merge']);
    Route::post('/tags/{tag}/merge', [TagsController::class, 'merge']);
});
