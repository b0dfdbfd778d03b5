<?php

namespace App\Http\Controllers;

use App\Http\Requests\KeepScanRequest;
use App\Models\Picture;
use App\Models\User;
use App\Pictures\NoPicture;
use App\Pictures\PictureBook;
use App\Pictures\StoredPictures;
use App\Quotas\OverQuota;
use App\Scanner\Scanner;
use App\Scanner\ScannerFault;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Pixel\Straightened;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Tracing\SheetEdge;

/** The scanner on the desk of the person who is signed in: what is wrong with what is asked of it, it says itself. */
final readonly class ScannerController
{
    /** @throws ScannerFault */
    public function show(#[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->told());
    }

    /** @throws ScannerFault */
    public function page(string $page, #[CurrentUser] User $person): Response
    {
        return new Response((new Scanner($person))->page($page), 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => 'private, max-age=86400',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
        ]);
    }

    /** @throws ScannerFault */
    public function scan(Request $request, #[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->scan($request->only('page', 'resolution')), 201);
    }

    /** @throws ScannerFault */
    public function progress(string $scan, #[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->progress($scan));
    }

    /** @throws ScannerFault */
    public function cancel(string $scan, #[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->cancel($scan));
    }

    /**
     * Keeps what was scanned as a picture of the person, and says how a step would place it: in the middle of the sheet, as large as
     * it can be; straight, and its light evened, if that is asked for.
     *
     * @throws OverQuota
     * @throws ScannerFault
     * @throws Unreadable
     * @throws ValidationException
     */
    public function keep(KeepScanRequest $request, string $scan, #[CurrentUser] User $person): JsonResponse
    {
        try {
            $picture = (new Scanner($person))->withImage($scan, static fn (string $file): Picture => PictureBook::take($person, $file));
        } catch (NoPicture $fault) {
            throw ValidationException::withMessages(['scan' => $fault->getMessage()]);
        }
        $file = StoredPictures::fileOf($picture);
        $corners = $request->boolean('straighten') ? SheetEdge::find($file) : null;

        return new JsonResponse([
            'picture' => $picture->told(),
            'step' => [
                'source' => $picture->source(), ...$request->lying(...Straightened::size($file, $corners ?? [])),
                ...$corners === null ? [] : ['corners' => SheetEdge::written($corners)], ...$request->boolean('straighten') ? ['even' => true] : [],
            ],
            'straight' => $corners !== null,
        ], 201);
    }

    /** @throws ScannerFault */
    public function cover(Request $request, #[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->touch('cover', $request->only('open')));
    }

    /** @throws ScannerFault */
    public function feed(Request $request, #[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse((new Scanner($person))->touch('feed', $request->only('jam', 'at')));
    }
}
