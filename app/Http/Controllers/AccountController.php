<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChangePasswordRequest;
use App\Http\Requests\ConfirmedRequest;
use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Quotas;
use App\Sheets\Thinning;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** What people do with their own account. */
final class AccountController
{
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
        DB::transaction(static function () use ($person): void {
            $person->endSessions();
            // One after another: none of them takes longer than the database may.
            Sheet::withTrashed()->where('user_id', $person->id)->get()->each(static fn (Sheet $sheet): ?bool => $sheet->forceDelete());
            $person->delete();
        });
        $request->session()->invalidate();

        return new Response(status: 204);
    }
}
