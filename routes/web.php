<?php

use App\Http\Controllers\AccountController;
use App\Http\Controllers\DrawingController;
use App\Http\Controllers\ExportController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\ScannerController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SheetController;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show'])->name('session.show');
    Route::middleware('throttle:door')->group(function (): void {
        Route::post('register', [SessionController::class, 'register'])->name('session.register');
        Route::post('sign-in', [SessionController::class, 'signIn'])->name('session.sign-in');
        Route::post('confirm', [SessionController::class, 'confirm'])->name('session.confirm');
        Route::post('forgot', [SessionController::class, 'forgot'])->name('session.forgot');
        Route::post('reset', [SessionController::class, 'reset'])->name('session.reset');
    });
    Route::get('mailbox', [SessionController::class, 'mailbox'])->middleware('throttle:mailbox')->name('session.mailbox');

    Route::middleware('auth')->group(function (): void {
        Route::post('sign-out', [SessionController::class, 'signOut'])->name('session.sign-out');
        Route::prefix('account')->name('account.')->group(function (): void {
            Route::put('password', [AccountController::class, 'changePassword'])->middleware('throttle:account')->name('password');
            Route::post('sign-out-everywhere', [AccountController::class, 'signOutEverywhere'])->name('sign-out-everywhere');
            Route::delete('/', [AccountController::class, 'destroy'])->middleware('throttle:account')->name('destroy');
            Route::get('/', [AccountController::class, 'show'])->name('show');
            Route::post('exports', [ExportController::class, 'orderSheets'])->middleware('throttle:files')->name('exports');
        });
        Route::get('kinds', [PlanController::class, 'kinds'])->name('kinds');
        Route::get('constructions', [PlanController::class, 'constructions'])->middleware('turn')->name('constructions');
        Route::get('examples', [PlanController::class, 'examples'])->middleware('turn')->name('examples');
        Route::get('sheets', [SheetController::class, 'index'])->name('sheets.index');
        Route::post('sheets', [SheetController::class, 'store'])->middleware(['turn', 'throttle:new-sheets'])->name('sheets.store');
        Route::post('sheets/{deleted}/restore', [SheetController::class, 'restore'])->whereUuid('deleted')->name('sheets.restore');

        Route::post('bundles', [DrawingController::class, 'bundle'])->middleware(['turn', 'throttle:files'])->name('bundles.plan');
        Route::post('drawings', [DrawingController::class, 'plan'])->middleware(['turn', 'throttle:files'])->name('drawings.plan');
        Route::post('pictures', [PictureController::class, 'store'])->middleware(['turn', 'throttle:files'])->name('pictures.store');
        Route::delete('pictures/unused', [PictureController::class, 'destroyUnused'])->middleware('turn')->name('pictures.destroy-unused');
        Route::get('pictures/{hash}', [PictureController::class, 'show'])->where('hash', '[0-9a-f]{64}')->name('pictures.show');

        Route::prefix('scanner')->name('scanner.')->group(function (): void {
            Route::get('/', [ScannerController::class, 'show'])->middleware('turn')->name('show');
            Route::get('pages/{page}', [ScannerController::class, 'page'])->where('page', '[a-z0-9]+')->name('page');
            Route::put('cover', [ScannerController::class, 'cover'])->middleware('turn')->name('cover');
            Route::put('feed', [ScannerController::class, 'feed'])->middleware('turn')->name('feed');
            Route::post('scans', [ScannerController::class, 'scan'])->middleware('turn')->name('scan');
            Route::prefix('scans/{scan}')->where(['scan' => '[0-9a-f]{16}'])->group(function (): void {
                Route::get('/', [ScannerController::class, 'progress'])->middleware('turn')->name('progress');
                Route::delete('/', [ScannerController::class, 'cancel'])->middleware('turn')->name('cancel');
                Route::post('picture', [ScannerController::class, 'keep'])->middleware(['turn', 'throttle:files'])->name('keep');
            });
        });

        Route::prefix('exports/{export}')->middleware('can:fetch,export')->whereUuid('export')->name('exports.')->group(function (): void {
            Route::get('/', [ExportController::class, 'show'])->name('show');
            Route::delete('/', [ExportController::class, 'cancel'])->name('cancel');
            Route::get('file', [ExportController::class, 'fetch'])->name('fetch');
        });

        // Whoever is not the owner learns nothing, not even that the sheet exists.
        Route::prefix('sheets/{sheet}')
            ->middleware('can:work,sheet')
            ->whereUuid('sheet')
            ->group(function (): void {
                Route::get('/', [SheetController::class, 'show'])
                    ->middleware('turn')
                    ->name('sheets.show');
                Route::patch('/', [SheetController::class, 'update'])->name('sheets.update');
                Route::delete('/', [SheetController::class, 'destroy'])->name('sheets.destroy');
                Route::post('duplicate', [SheetController::class, 'duplicate'])
                    ->middleware(['turn', 'throttle:new-sheets'])
                    ->name('sheets.duplicate');
                Route::post('changes', [PlanController::class, 'change'])
                    ->middleware('turn')
                    ->name('sheets.change');
                Route::post('preview', [PlanController::class, 'preview'])
                    ->middleware('turn:preview')
                    ->name('sheets.preview');
                Route::post('snap', [LookController::class, 'snap'])
                    ->middleware('turn')
                    ->name('sheets.snap');
                Route::post('snap-places', [LookController::class, 'snapPlaces'])
                    ->middleware('turn')
                    ->name('sheets.snap-places');
                Route::post('variations', [LookController::class, 'vary'])
                    ->middleware('turn')
                    ->name('sheets.vary');
                Route::post('equal', [LookController::class, 'equal'])
                    ->middleware('turn')
                    ->name('sheets.equal');
                Route::post('settle', [LookController::class, 'settle'])
                    ->middleware('turn')
                    ->name('sheets.settle');
                Route::post('close-up', [LookController::class, 'closeUp'])
                    ->middleware('turn')
                    ->name('sheets.close-up');
                Route::post('tile', [LookController::class, 'tile'])
                    ->middleware('turn')
                    ->name('sheets.tile');
                Route::post('tile/seam', [LookController::class, 'seam'])
                    ->middleware('turn')
                    ->name('sheets.seam');
                Route::post('corners', [PictureController::class, 'corners'])
                    ->middleware('turn')
                    ->name('sheets.corners');
                Route::post('drawings', [DrawingController::class, 'steps'])
                    ->middleware(['turn', 'throttle:files'])
                    ->name('sheets.drawings');
                Route::put('plan', [PlanController::class, 'replace'])
                    ->middleware('turn')
                    ->name('sheets.replace');
                Route::post('undo', [PlanController::class, 'undo'])
                    ->middleware('turn')
                    ->name('sheets.undo');
                Route::post('redo', [PlanController::class, 'redo'])
                    ->middleware('turn')
                    ->name('sheets.redo');
                Route::get('thumbnail.svg', [ExportController::class, 'thumbnail'])
                    ->middleware('turn')
                    ->name('sheets.thumbnail');
                Route::post('exports', [ExportController::class, 'order'])
                    ->middleware(['turn', 'throttle:files'])
                    ->name('sheets.exports');
                Route::get('forms', [ExportController::class, 'forms'])
                    ->middleware('turn')
                    ->name('sheets.forms');
                Route::post('estimate', [ExportController::class, 'estimate'])
                    ->middleware('turn')
                    ->name('sheets.estimate');
                Route::post('prove', [ExportController::class, 'prove'])
                    ->middleware('turn')
                    ->name('sheets.prove');
                Route::get('file', [ExportController::class, 'file'])
                    ->middleware(['turn', 'throttle:files'])
                    ->name('sheets.file');
            });
    });
    Route::any('{unknown}', static fn () => abort(404))->where('unknown', '.*');
});

// The page needs no session: what it asks for first makes one. What is no page of the application says so, and is none.
Route::withoutMiddleware('web')->group(function (): void {
    Route::get('up', HealthController::class)->name('up');
    Route::view('/', 'app');
    Route::view('sign-in', 'app');
    Route::view('register', 'app');
    Route::view('forgot', 'app');
    Route::view('mailbox', 'app');
    Route::view('confirm/{token}', 'app');
    Route::view('reset/{token}', 'app');
    Route::view('sheets/{id}', 'app')->whereUuid('id');
    Route::fallback(static fn () => response()->view('app', status: 404));
});
