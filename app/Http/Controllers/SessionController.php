<?php

namespace App\Http\Controllers;

use App\Http\Requests\AddressRequest;
use App\Http\Requests\RegisterRequest;
use App\Http\Requests\ResetRequest;
use App\Http\Requests\SignInRequest;
use App\Http\Requests\TokenRequest;
use App\Http\Resources\PersonResource;
use App\Jobs\WriteConfirmation;
use App\Jobs\WriteReset;
use App\Letters\Mailbox;
use App\Letters\Ticket;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Registration, sign-in and sign-out. */
final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        $person = $request->user();

        return new JsonResponse([
            'person' => $person === null ? null : new PersonResource($person),
            'mailbox' => Mailbox::isOpenTo($request),
        ]);
    }

    /** The answer and the time it takes are the same whether there is such an account or not; what comes of it is in the letter. */
    public function register(RegisterRequest $request): Response
    {
        WriteConfirmation::dispatch(
            $request->string('name')->toString(),
            $request->email(),
            Hash::make($request->string('password')->toString()),
        );

        return new Response(status: 202);
    }

    /**
     * Opens the account that a letter was about.
     *
     * @throws ValidationException
     */
    public function confirm(TokenRequest $request): JsonResponse
    {
        $ticket = Ticket::take(Ticket::CONFIRM, $request->token());
        $person = User::query()->firstOrCreate(['email' => $ticket->email], $ticket->holds);

        return self::signedIn($request, $person, 201);
    }

    public function forgot(AddressRequest $request): Response
    {
        WriteReset::dispatch($request->email());

        return new Response(status: 202);
    }

    /**
     * Sets another password. Everybody who was signed in with the earlier one is signed out.
     *
     * @throws ValidationException
     */
    public function reset(ResetRequest $request): JsonResponse
    {
        $person = User::query()->where('email', Ticket::take(Ticket::RESET, $request->token())->email)->firstOrFail();
        $person->password = $request->string('password')->toString();
        $person->endSessions();
        Ticket::drop(Ticket::RESET, $person->email);

        return self::signedIn($request, $person, 200);
    }

    /** Letters of the simulated mailbox; where letters are sent, or it is asked from elsewhere, there is none. */
    public function mailbox(AddressRequest $request): JsonResponse
    {
        abort_unless(Mailbox::isOpenTo($request), 404);

        return new JsonResponse(['letters' => Mailbox::letters($request->email())]);
    }

    /** @throws ValidationException */
    public function signIn(SignInRequest $request): JsonResponse
    {
        $person = User::query()->where('email', $request->email())->first();
        // A hash is worked out whether there is such a person or not, so that both take as long.
        $fits = Hash::check($request->string('password')->toString(), $person?->getAuthPassword() ?? self::nobody());
        if ($person === null || ! $fits) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address and password.']);
        }

        return self::signedIn($request, $person, 200);
    }

    private static function signedIn(Request $request, User $person, int $status): JsonResponse
    {
        Auth::login($person, true);
        $request->session()->regenerate();

        return new JsonResponse(['person' => new PersonResource($person), 'mailbox' => Mailbox::isOpenTo($request)], $status);
    }

    /** A hash as costly as those that are stored, of which nobody knows the password. */
    private static function nobody(): string
    {
        /** @var string|null $hash the same for as long as the process lives */
        static $hash = null;

        return $hash ??= Hash::make(Str::random(40));
    }

    public function signOut(Request $request): Response
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }
}
