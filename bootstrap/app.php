<?php

use App\Http\Middleware\EmptyIsNothing;
use App\Http\Middleware\TakeTurn;
use App\Http\Middleware\Trim;
use App\Http\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withMiddleware(function (Middleware $middleware): void {
        // The application is same-origin; compat/README.md says why this one cannot stay.
        $middleware->remove(HandleCors::class);
        // Only these may say for whom they ask, and how they were asked.
        $proxies = array_values(array_filter(array_map(trim(...), explode(',', (string) env('STERNBILD_PROXIES', '')))));
        $middleware->trustProxies(at: $proxies, headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_HOST | Request::HEADER_X_FORWARDED_PORT | Request::HEADER_X_FORWARDED_PROTO);
        $middleware->alias(['turn' => TakeTurn::class]);
        $middleware->redirectGuestsTo('/sign-in');
        // What is wrong with these is said, not mended.
        $middleware->trimStrings(except: ['email', 'password']);
        $middleware->replace(TrimStrings::class, Trim::class);
        $middleware->replace(ConvertEmptyStringsToNull::class, EmptyIsNothing::class);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        Problems::describe($exceptions);
    })
    ->create();
