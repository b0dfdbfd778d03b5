<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChangePasswordRequest;
use App\Http\Requests\ConfirmedRequest;
use App\Letters\Ticket;
use App\Models\Export;
use App\Models\Picture;
use App\Models\Sheet;
use App\Models\User;
use App\Pictures\PictureBook;
use App\Quotas\Quotas;
use App\Sheets\Thinning;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** What people do with their own account. */
final class AccountController
{
    /** How often a deletion is tried that others get in the way of. */
    private const TRIES = 5;

    /** What is kept for a person, and how much there may be. */
    public function show(#[CurrentUser] User $person): JsonResponse
    {
        $kept = Quotas::of($person);

        return new JsonResponse([
            'sheets' => $kept->sheets,
            'most_sheets' => $kept->mostSheets,
            'bytes' => $kept->bytes,
            'most_bytes' => $kept->mostBytes,
            'pictures' => $kept->pictures,
            'picture_bytes' => $kept->pictureBytes,
            'revisions' => $kept->revisions,
            'days' => Thinning::DAYS_IN_FULL,
        ]);
    }

    /** Everybody who knew the earlier password is signed out; the one who changed it stays. */
    public function changePassword(ChangePasswordRequest $request, #[CurrentUser] User $person): Response
    {
        $person->password = $request->string('password')->toString();
        $person->endSessions($request->session()->getId());
        Ticket::drop(Ticket::RESET, $person->email);
        Auth::login($person, true);
        $request->session()->regenerate();

        return new Response(status: 204);
    }

    public function signOutEverywhere(Request $request, #[CurrentUser] User $person): Response
    {
        $person->endSessions();
        Auth::logout();
        $request->session()->invalidate();

        return new Response(status: 204);
    }

    /** With all sheets and all that was ever done on them. */
    public function destroy(ConfirmedRequest $request, #[CurrentUser] User $person): Response
    {
        Auth::logout();
        $hashes = Picture::query()->where('user_id', $person->id)->pluck('hash')->all();
        $files = Export::query()->where('user_id', $person->id)->get()->map(static fn (Export $export): string => $export->path())->all();
        // Again where somebody who saves has one of the rows just now.
        DB::transaction(static function () use ($person): void {
            // From here on nothing is added to the account: what is being saved in another tab waits for this row, and then does not find
            // it any more.
            User::query()->whereKey($person->id)->lockForUpdate()->first();
            $person->endSessions();
            // One after another: none of them takes longer than the database may.
            $sheets = Sheet::withTrashed()->where('user_id', $person->id);
            $sheets->lockForUpdate();
            $sheets->get()->each(static fn (Sheet $sheet): ?bool => $sheet->forceDelete());
            DB::table('turns')->where('user_id', $person->id)->delete();
            Ticket::drop(Ticket::RESET, $person->email);
            $person->delete();
        }, self::TRIES);
        PictureBook::forget($hashes);
        Storage::delete($files);
        $request->session()->invalidate();

        return new Response(status: 204);
    }
}
