<?php

namespace App\Http\Controllers;

use App\Http\Requests\PictureRequest;
use App\Models\Picture;
use App\Models\User;
use App\Pictures\NoPicture;
use App\Pictures\PictureBook;
use App\Pictures\StoredPictures;
use App\Sheets\OverQuota;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Pictures that people bring in. */
final readonly class PictureController
{
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

        return new JsonResponse(['source' => $picture->source(), 'width' => $picture->width, 'height' => $picture->height], 201);
    }

    /** To others than the one who brought it in it does not exist. */
    public function show(string $hash, #[CurrentUser] User $person): StreamedResponse|BinaryFileResponse
    {
        $sample = StoredPictures::sampleOf($hash);
        if ($sample !== null) {
            return response()->file($sample->path, ['Cache-Control' => 'private, max-age=31536000, immutable']);
        }
        $picture = Picture::query()->where('user_id', $person->id)->where('hash', $hash)->firstOrFail();

        return Storage::response($picture->path(), "$picture->hash.".($picture->type === 'png' ? 'png' : 'jpg'), [
            'Content-Type' => "image/$picture->type", 'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
