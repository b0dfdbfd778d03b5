<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChangePasswordRequest;
use App\Http\Requests\ConfirmedRequest;
use App\Models\Sheet;
use App\Models\User;
use App\Sheets\AllSheets;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What people do with their own account. */
final class AccountController
{
    /** Everybody who knew the earlier password is signed out; the one who changed it stays. */
    public function changePassword(ChangePasswordRequest $request, #[CurrentUser] User $person): Response
    {
        $person->password = $request->string('password')->toString();
        self::endSessions($person, $request->session()->getId());
        Auth::login($person, true);
        $request->session()->regenerate();

        return new Response(status: 204);
    }

    public function signOutEverywhere(Request $request, #[CurrentUser] User $person): Response
    {
        self::endSessions($person, null);
        Auth::logout();
        $request->session()->invalidate();

        return new Response(status: 204);
    }

    /** With all sheets and all that was ever done on them. */
    public function destroy(ConfirmedRequest $request, #[CurrentUser] User $person): Response
    {
        Auth::logout();
        DB::transaction(static function () use ($person): void {
            self::endSessions($person, null);
            Sheet::withTrashed()->where('user_id', $person->id)->forceDelete();
            $person->delete();
        });
        $request->session()->invalidate();

        return new Response(status: 204);
    }

    /** The plan of each sheet as a file, in one archive. */
    public function sheets(#[CurrentUser] User $person): BinaryFileResponse
    {
        return (new BinaryFileResponse(AllSheets::archive($person), headers: ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', 'sheets.zip')->deleteFileAfterSend();
    }

    /** @param  string|null  $kept  id of a session that goes on */
    private static function endSessions(User $person, ?string $kept): void
    {
        DB::table('sessions')->where('user_id', $person->id)->when($kept !== null, static fn ($sessions) => $sessions->where('id', '<>', $kept))->delete();
        // Browsers that stayed signed in hold this.
        $person->setRememberToken(Str::random(60));
        $person->save();
    }
}
