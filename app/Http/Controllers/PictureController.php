<?php

namespace App\Http\Controllers;

use App\Http\Requests\PictureRequest;
use App\Http\Requests\StraightenRequest;
use App\Models\Picture;
use App\Models\Sheet;
use App\Models\User;
use App\Pictures\NoPicture;
use App\Pictures\PictureBook;
use App\Pictures\StoredPictures;
use App\Quotas\OverQuota;
use App\Sheets\Planning;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Straightened;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tracing\SheetEdge;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Pictures that people bring in. */
final readonly class PictureController
{
    public function __construct(private Planning $planning, private StoredPictures $pictures)
    {
    }

    /**
     * @throws OverQuota
     * @throws ValidationException
     */
    public function store(PictureRequest $request, #[CurrentUser] User $person): JsonResponse
    {
        try {
            $picture = PictureBook::take($person, $request->picture()->getPathname());
        } catch (NoPicture $fault) {
            throw ValidationException::withMessages(['picture' => $fault->getMessage()]);
        }

        return new JsonResponse($picture->told(), 201);
    }

    /** Those that no sheet names any more, nor any earlier state of one. */
    public function destroyUnused(#[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse(['deleted' => PictureBook::forgetUnused($person)]);
    }

    /**
     * The corners of a sheet of paper in a picture.
     *
     * @throws Unreadable
     * @throws Unusable
     */
    public function corners(Request $request, Sheet $sheet): JsonResponse
    {
        $result = (
            $this->planning->scene($sheet->headRevision()->plan)->known[
                $request->validate(['step' => ['required', 'string', 'max:40']])['step']
            ] ?? null
        )?->result;
        $file =
            $result instanceof PlacedPicture
                ? $this->pictures->find('sha256:'.substr($result->source, 0, 64)) ??
                    StoredPictures::sampleOf(substr($result->source, 0, 64))
                : null;
        if ($file === null) {
            throw ValidationException::withMessages(['step' => 'Expected the id of a picture.']);
        }

        $corners = SheetEdge::find($file);

        return new JsonResponse(['corners' => $corners === null ? null : SheetEdge::written($corners)]);
    }

    /** To others than the one who brought it in it does not exist. */
    public function show(StraightenRequest $request, string $hash, #[CurrentUser] User $person): StreamedResponse|BinaryFileResponse
    {
        $kept = ['Cache-Control' => 'private, max-age=31536000, immutable'];
        $sample = StoredPictures::sampleOf($hash);
        $find = static fn (): Picture => Picture::query()->where('user_id', $person->id)->where('hash', $hash)->firstOrFail();
        if ($request->changes()) {
            $file = Straightened::made(
                $sample ?? StoredPictures::fileOf($find()),
                $request->corners(),
                $request->crop(),
                $request->boolean('even'),
            );

            return response()->file($file->path, $kept);
        }
        if ($sample !== null) {
            return response()->file($sample->path, $kept);
        }
        $picture = $find();

        return Storage::response($picture->path(), "$picture->hash.".($picture->type === 'png' ? 'png' : 'jpg'), [
            'Content-Type' => "image/$picture->type", 'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
