<?php

namespace App\Http\Controllers;

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
        return new JsonResponse(['person' => self::person($request->user())]);
    }

    public function register(Request $request): JsonResponse
    {
        $request->merge(['email' => mb_strtolower(trim($request->string('email')->toString()))]);
        /** @var array{name: string, email: string, password: string} $given */
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80', 'not_regex:/[<>\x00-\x1F\x7F]/'],
            'email' => ['required', 'string', 'email:rfc', 'max:254', 'unique:users,email'],
            'password' => ['required', 'string', 'min:10', 'max:72'],
        ], [
            'name.not_regex' => 'The name may not hold markup (< >).',
            'email.unique' => 'There is an account with this e-mail address already. Sign in instead.',
        ]);
        $person = User::query()->create($given);
        Auth::login($person);
        $request->session()->regenerate();

        return new JsonResponse(['person' => self::person($person)], 201);
    }

    public function signIn(Request $request): JsonResponse
    {
        /** @var array{email: string, password: string} $given */
        $given = $request->validate(['email' => ['required', 'string'], 'password' => ['required', 'string']]);
        $given['email'] = mb_strtolower(trim($given['email']));
        if (! Auth::attempt($given, true)) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address and password.']);
        }
        $request->session()->regenerate();

        return new JsonResponse(['person' => self::person($request->user())]);
    }

    public function signOut(Request $request): Response
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    /** @return array{name: string, email: string}|null */
    private static function person(mixed $user): ?array
    {
        return $user instanceof User ? ['name' => $user->name, 'email' => $user->email] : null;
    }
}
