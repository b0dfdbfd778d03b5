<?php

use App\Http\Controllers\ExportController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SheetController;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::middleware('throttle:door')->group(function (): void {
        Route::post('register', [SessionController::class, 'register']);
        Route::post('sign-in', [SessionController::class, 'signIn']);
    });

    Route::middleware('auth')->group(function (): void {
        Route::post('sign-out', [SessionController::class, 'signOut']);
        Route::get('kinds', [PlanController::class, 'kinds']);
        Route::get('constructions', [PlanController::class, 'constructions']);
        Route::get('sheets', [SheetController::class, 'index']);
        Route::post('sheets', [SheetController::class, 'store']);
        Route::post('sheets/{deleted}/restore', [SheetController::class, 'restore'])->whereUuid('deleted');

        // Whoever is not the owner learns nothing, not even that the sheet exists.
        Route::prefix('sheets/{sheet}')->middleware('can:work,sheet')->whereUuid('sheet')->group(function (): void {
            Route::get('/', [SheetController::class, 'show']);
            Route::patch('/', [SheetController::class, 'update']);
            Route::delete('/', [SheetController::class, 'destroy']);
            Route::post('duplicate', [SheetController::class, 'duplicate']);
            Route::post('changes', [PlanController::class, 'change']);
            Route::post('preview', [PlanController::class, 'preview']);
            Route::post('snap', [LookController::class, 'snap']);
            Route::post('snap-places', [LookController::class, 'snapPlaces']);
            Route::post('settle', [LookController::class, 'settle']);
            Route::post('close-up', [LookController::class, 'closeUp']);
            Route::put('plan', [PlanController::class, 'replace']);
            Route::post('undo', [PlanController::class, 'undo']);
            Route::post('redo', [PlanController::class, 'redo']);
            Route::get('thumbnail.svg', [ExportController::class, 'thumbnail']);
            Route::get('file', [ExportController::class, 'file']);
        });
    });
    Route::any('{unknown}', static fn () => abort(404))->where('unknown', '.*');
});

Route::view('/{page?}', 'app')->where('page', '.*');
