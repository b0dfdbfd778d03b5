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
        if (! Auth::attempt($request->credentials(), true)) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address and password.']);
        }
        $request->session()->regenerate();

        return new JsonResponse(['person' => new PersonResource($request->user())]);
    }

    public function signOut(Request $request): Response
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }
}
