<?php

namespace App\Providers;

use App\Http\Middleware\TakeTurn;
use App\Http\Requests\Email;
use App\Letters\Mailbox;
use App\Pictures\StoredPictures;
use App\Sheets\SharedMemory;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use PDO;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Result\Memory;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // Connecting costs more than all queries of a request; a worker keeps its connection. Not elsewhere: of several objects that share
        // one, whichever goes takes the transaction of the others with it. Said here, since the configuration is put together by another
        // program.
        config()->set('database.connections.pgsql.options.'.PDO::ATTR_PERSISTENT, PHP_SAPI === 'fpm-fcgi');

        // One for each request: it knows who is at work.
        $this->app->scoped(TakeTurn::class);
        $this->app->singleton(StoredPictures::class);
        $this->app->singleton(
            Kinds::class,
            static fn (Application $app): Kinds => Kinds::all()->withPictures($app->make(StoredPictures::class)),
        );
        $this->app->singleton(Memory::class, SharedMemory::class);
    }

    public function boot(): void
    {
        // Relative, so that the page works under whatever host and port it was asked for.
        Vite::createAssetPathsUsing(static fn (string $path): string => "/$path");

        Mail::extend(Mailbox::NAME, static fn (): Mailbox => new Mailbox);

        // What is asked for now and then; what the editor asks for takes its turn (TakeTurn).
        $person = static fn (Request $request): string => (string) ($request->user()?->getAuthIdentifier() ?? $request->ip());
        RateLimiter::for('files', static fn (Request $request): Limit => Limit::perMinute(40)->by('files:'.$person($request)));
        RateLimiter::for('new-sheets', static fn (Request $request): Limit => Limit::perMinute(120)->by('new-sheets:'.$person($request)));

        RateLimiter::for('account', static fn (Request $request): Limit => Limit::perMinute(6)->by('account:'.$person($request)));

        RateLimiter::for('mailbox', static fn (Request $request): Limit => Limit::perMinute(120)->by('mailbox:'.$request->ip()));

        // Guessing passwords is slow for one address and for one account alike, and so is following links; nobody is held up by others.
        RateLimiter::for('door', static fn (Request $request): array => [
            Limit::perMinute(30)->by('ip:'.$request->ip()),
            Limit::perMinute(6)->by('about:'.hash('sha256', self::about($request)).$request->ip()),
        ]);
    }

    /** Which account, or which link, is asked at the door. */
    private static function about(Request $request): string
    {
        $link = $request->input('token');

        return Email::of($request->input('email')) ?? 'link '.(is_string($link) ? $link : '');
    }
}
