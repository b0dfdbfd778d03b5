<?php

namespace App\Http\Controllers;

use App\Http\Requests\RegisterRequest;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\PersonResource;
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

        return new JsonResponse(['person' => $person === null ? null : new PersonResource($person)]);
    }

    public function register(RegisterRequest $request): JsonResponse
    {
        $person = User::query()->create($request->account());
        Auth::login($person);
        $request->session()->regenerate();

        return new JsonResponse(['person' => new PersonResource($person)], 201);
    }

    /** @throws ValidationException */
    public function signIn(SignInRequest $request): JsonResponse
    {
        ['email' => $email, 'password' => $password] = $request->credentials();
        $person = User::query()->where('email', $email)->first();
        // A hash is worked out whether there is such a person or not, so that both take as long.
        $fits = Hash::check($password, $person?->getAuthPassword() ?? self::nobody());
        if ($person === null || ! $fits) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address and password.']);
        }
        Auth::login($person, true);
        $request->session()->regenerate();

        return new JsonResponse(['person' => new PersonResource($person)]);
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
