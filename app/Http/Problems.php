<?php

namespace App\Http;

use App\Sheets\BrokenChange;
use App\Sheets\SheetPages;
use App\Sheets\StaleChange;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Plan\Unusable;

/** What went wrong, as the API says it: `problem` for programs, `message` for people, and what helps to mend it. */
final class Problems
{
    public static function describe(Exceptions $exceptions): void
    {
        $exceptions->dontReport([Unusable::class, StaleChange::class, BrokenChange::class]);
        $exceptions->render(static fn (Unusable $fault): JsonResponse => new JsonResponse([
            'problem' => 'unusable',
            'message' => $fault->getMessage(),
            'pointer' => $fault->pointer,
            'expected' => $fault->expected,
        ], 422));
        $exceptions->render(static fn (BrokenChange $fault): JsonResponse => new JsonResponse([
            'problem' => 'broken',
            'message' => $fault->getMessage(),
            'findings' => $fault->findings,
        ], 422));
        $exceptions->render(static fn (StaleChange $fault): JsonResponse => new JsonResponse([
            'problem' => 'stale',
            'message' => $fault->getMessage(),
            'sheet' => app(SheetPages::class)->page($fault->sheet, []),
        ], 409));
        $exceptions->render(static fn (RenderFailed $fault): JsonResponse => new JsonResponse([
            'problem' => 'render',
            'message' => 'The picture could not be made. Nothing of the sheet is lost; please try again.',
        ], 500));
    }
}
