<?php

namespace App\Providers;

use App\Sheets\ApcuResults;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Sternbild\Core\Evaluation\ResultCache;
use Sternbild\Core\Plan\Kinds;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(Kinds::class, static fn (): Kinds => Kinds::all());
        $this->app->singleton(ResultCache::class, ApcuResults::class);
    }

    public function boot(): void
    {
        // Relative, so that the page works under whatever host and port it was asked for.
        Vite::createAssetPathsUsing(static fn (string $path): string => "/$path");

        // Guessing passwords is slow for one address and for one account alike.
        RateLimiter::for('door', static fn (Request $request): array => [
            Limit::perMinute(30)->by('ip:'.$request->ip()),
            Limit::perMinute(6)->by('email:'.hash('xxh128', mb_strtolower($request->string('email')->toString())).$request->ip()),
        ]);
    }
}
