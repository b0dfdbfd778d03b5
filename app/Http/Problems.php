<?php

namespace App\Http;

use App\Exports\TooManyFiles;
use App\Quotas\OverQuota;
use App\Scanner\ScannerFault;
use App\Sheets\BrokenChange;
use App\Sheets\SheetPages;
use App\Sheets\StaleChange;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use League\Flysystem\UnableToWriteFile;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Unusable;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mime\Exception\ExceptionInterface as MailFault;

/** What went wrong, as the API says it: `problem` for programs, `message` for people, and what helps to mend it. */
final class Problems
{
    private const RETRY_SECONDS = 5;

    private const RETRY_FILE_SECONDS = 2;

    private const RETRY_FULL_SECONDS = 60;

    /** SQLSTATE of a row whose owner is gone, and of a full disk. */
    private const ORPHANED = '23503';

    private const FULL = '53100';

    /** Classes of SQLSTATE, and single ones, of a database that is away, too busy, or takes too long (PostgreSQL, appendix A). */
    private const TROUBLE = ['08', '53', '57', '55P03'];

    public static function describe(Exceptions $exceptions): void
    {
        $exceptions->dontReport([
            ScannerFault::class,
            TooManyFiles::class,
            OverQuota::class,
            OverBudget::class,
            Unusable::class,
            StaleChange::class,
            BrokenChange::class,
        ]);
        $exceptions->render(
            static fn (Unusable $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'unusable',
                    'message' => $fault->getMessage(),
                    'pointer' => $fault->pointer,
                    'expected' => $fault->expected,
                ],
                422,
            ),
        );
        $exceptions->render(
            static fn (BrokenChange $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'broken',
                    'message' => $fault->getMessage(),
                    'findings' => $fault->findings,
                ],
                422,
            ),
        );
        $exceptions->render(
            static fn (StaleChange $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'stale',
                    'message' => $fault->getMessage(),
                    'sheet' => app(SheetPages::class)->page($fault->sheet, []),
                ],
                409,
            ),
        );
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
        // Said of an address that is none, with the address.
        $exceptions->report(static function (MailFault $fault): bool {
            Log::warning('A letter could not be written: '.$fault::class);

            return false;
        });
        $exceptions->report(static function (\Throwable $fault): ?bool {
            if (! self::isFull($fault)) {
                return null;
            }
            Log::error('A disk is full: '.$fault::class);

            return false;
        });
        // What it belongs to was deleted in the meantime, in another tab perhaps.
        $exceptions->render(
            static fn (QueryException $fault): ?JsonResponse => self::state($fault) === self::ORPHANED ? self::none() : null,
        );
        $exceptions->render(
            static fn (\Throwable $fault): ?JsonResponse => self::isFull($fault)
                ? new JsonResponse(
                    [
                        'problem' => 'full',
                        'message' => 'There is no room left on the server just now. What was saved is safe; please try again later.',
                    ],
                    503,
                    ['Retry-After' => self::RETRY_FULL_SECONDS],
                )
                : null,
        );
        // Beyond its limits PHP ends a request; the evaluator does so before, as a finding.
        $exceptions->render(
            static fn (FatalError $fault): ?JsonResponse => preg_match(
                '/^(Maximum execution time|Allowed memory size)/',
                $fault->getMessage(),
            ) === 1
                ? self::tooMuch()
                : null,
        );
        $exceptions->render(static fn (OverBudget $fault): JsonResponse => self::tooMuch());
        $exceptions->render(
            static fn (QueryException $fault): ?JsonResponse => self::isTrouble($fault)
                ? new JsonResponse(
                    [
                        'problem' => 'busy',
                        'message' => 'The database does not answer just now. What was saved is safe; please try again in a moment.',
                    ],
                    503,
                    ['Retry-After' => self::RETRY_SECONDS],
                )
                : null,
        );
        $exceptions->render(
            static fn (TooManyFiles $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'waiting',
                    'message' => 'Two of your files are being made just now. Wait for one of them, or cancel it.',
                ],
                429,
                ['Retry-After' => self::RETRY_FILE_SECONDS],
            ),
        );
        $exceptions->render(
            static fn (ThrottleRequestsException $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'waiting',
                    'message' => 'That was asked for too often within a minute. Please wait a moment, and try again.',
                ],
                429,
                $fault->getHeaders(),
            ),
        );
        $exceptions->render(
            static fn (ScannerFault $fault): JsonResponse => new JsonResponse(
                [
                    'problem' => 'scanner',
                    'message' => $fault->getMessage(),
                    ...$fault->field === null ? [] : ['errors' => [$fault->field => [$fault->getMessage()]]],
                ],
                $fault->status,
            ),
        );
        // What the library says of it holds the path of the file; that stays in the log.
        $exceptions->render(
            static fn (Unreadable $fault): JsonResponse => new JsonResponse(
                ['problem' => 'unreadable', 'message' => 'The picture cannot be read any more. Bring it in again.'],
                422,
            ),
        );
        // Somebody else's and none are told alike.
        $exceptions->render(
            static fn (HttpExceptionInterface $fault, Request $request): ?JsonResponse => $fault->getStatusCode() === 404 &&
            $request->is('api/*')
                ? self::none()
                : null,
        );
        $exceptions->render(
            static fn (OverQuota $fault): JsonResponse => new JsonResponse(['problem' => 'quota', 'message' => $fault->getMessage()], 422),
        );
    }

    private static function tooMuch(): JsonResponse
    {
        return new JsonResponse(
            [
                'problem' => 'limit',
                'message' => 'This takes more work than there is time or room for. Fewer copies, cells or curves would do.',
            ],
            422,
        );
    }

    private static function none(): JsonResponse
    {
        return new JsonResponse(['problem' => 'none', 'message' => 'There is no such thing, or it is not yours.'], 404);
    }

    /** Whether a disk is full, the database's or that for files: whoever met it says so in one way or another. */
    public static function isFull(\Throwable $fault): bool
    {
        for ($one = $fault; $one !== null; $one = $one->getPrevious()) {
            if (
                str_contains($one->getMessage(), 'No space left on device') ||
                ($one instanceof QueryException && self::state($one) === self::FULL)
            ) {
                return true;
            }
        }

        return $fault instanceof UnableToWriteFile && disk_free_space(storage_path()) < config()->integer('sternbild.least_free');
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
