<?php

namespace App\Http;

use App\Exports\TooManyFiles;
use App\Scanner\ScannerFault;
use App\Sheets\BrokenChange;
use App\Sheets\OverQuota;
use App\Sheets\SheetPages;
use App\Sheets\StaleChange;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Unusable;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;

/** What went wrong, as the API says it: `problem` for programs, `message` for people, and what helps to mend it. */
final class Problems
{
    private const RETRY_SECONDS = 5;

    private const RETRY_FILE_SECONDS = 2;

    /** Classes of SQLSTATE, and single ones, of a database that is away, too busy, or takes too long (PostgreSQL, appendix A). */
    private const TROUBLE = ['08', '53', '57', '55P03'];

    public static function describe(Exceptions $exceptions): void
    {
        $exceptions->dontReport([ScannerFault::class, TooManyFiles::class, OverQuota::class, Unusable::class, StaleChange::class, BrokenChange::class]);
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
        // One line: not the statement nor what the database says of it, which hold plans and addresses.
        $exceptions->report(static function (QueryException $fault): bool {
            self::isTrouble($fault)
                ? Log::warning('The database is in trouble: '.self::state($fault))
                : Log::error('A statement was refused: '.self::state($fault).' at '.self::origin($fault));

            return false;
        });
        $exceptions->report(static function (TransportExceptionInterface $fault): bool {
            Log::warning('A letter could not be sent; it is tried again: '.$fault::class);

            return false;
        });
        $exceptions->render(static fn (QueryException $fault): ?JsonResponse => self::isTrouble($fault) ? new JsonResponse([
            'problem' => 'busy',
            'message' => 'The database does not answer just now. What was saved is safe; please try again in a moment.',
        ], 503, ['Retry-After' => self::RETRY_SECONDS]) : null);
        $exceptions->render(static fn (TooManyFiles $fault): JsonResponse => new JsonResponse([
            'problem' => 'waiting',
            'message' => 'Two of your files are being made just now. Wait for one of them, or cancel it.',
        ], 429, ['Retry-After' => self::RETRY_FILE_SECONDS]));
        $exceptions->render(static fn (ThrottleRequestsException $fault): JsonResponse => new JsonResponse([
            'problem' => 'waiting',
            'message' => 'That was asked for too often within a minute. Please wait a moment, and try again.',
        ], 429, $fault->getHeaders()));
        $exceptions->render(static fn (ScannerFault $fault): JsonResponse => new JsonResponse([
            'problem' => 'scanner', 'message' => $fault->getMessage(), ...$fault->field === null ? [] : ['errors' => [$fault->field => [$fault->getMessage()]]],
        ], $fault->status));
        // What the library says of it holds the path of the file; that stays in the log.
        $exceptions->render(static fn (Unreadable $fault): JsonResponse => new JsonResponse(['problem' => 'unreadable', 'message' => 'The picture cannot be read any more. Bring it in again.'], 422));
        // Somebody else's and none are told alike.
        $exceptions->render(static fn (HttpExceptionInterface $fault, Request $request): ?JsonResponse => $fault->getStatusCode() === 404 && $request->is('api/*')
            ? new JsonResponse(['problem' => 'none', 'message' => 'There is no such thing, or it is not yours.'], 404) : null);
        $exceptions->render(static fn (OverQuota $fault): JsonResponse => new JsonResponse(['problem' => 'quota', 'message' => $fault->getMessage()], 422));
    }

    /** The line of the application that it came from. */
    private static function origin(\Throwable $fault): string
    {
        foreach ($fault->getTrace() as $frame) {
            $file = $frame['file'] ?? '';
            if (str_starts_with($file, app_path())) {
                return substr($file, strlen(base_path()) + 1).':'.($frame['line'] ?? 0);
            }
        }

        return 'an unknown place';
    }

    private static function isTrouble(QueryException $fault): bool
    {
        return array_filter(self::TROUBLE, static fn (string $class): bool => str_starts_with(self::state($fault), $class)) !== [];
    }

    private static function state(QueryException $fault): string
    {
        preg_match('/SQLSTATE\[(\w{5})\]/', $fault->getMessage(), $found);

        return $found[1] ?? '';
    }
}
