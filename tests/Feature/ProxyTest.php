<?php

namespace Tests\Feature;

use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Sternbild\Core\Geometry\OverBudget;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Tests\TestCase;

/** Who is behind a proxy is told from others, who is on this machine, and what is said when there is no room. */
final class ProxyTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        // What is trusted at the start is said with the first request.
        $this->getJson('/up')->assertOk();
    }

    protected function tearDown(): void
    {
        TrustProxies::flushState();
        parent::tearDown();
    }

    public function test_the_mailbox_is_open_on_this_machine_alone(): void
    {
        $ask = fn (array $headers = [], string $from = '127.0.0.1') => $this->withServerVariables(['REMOTE_ADDR' => $from])->getJson(
            '/api/mailbox?email=ada@sternbild.test',
            $headers,
        );
        $ask()->assertOk();
        $ask(from: '10.1.2.3')->assertNotFound();
        $ask(['X-Forwarded-For' => '127.0.0.1'])->assertNotFound();
        $ask(['X-Forwarded-Proto' => 'https'])->assertNotFound();
        $ask(['Forwarded' => 'for=127.0.0.1'])->assertNotFound();
        TrustProxies::at(['127.0.0.1']);
        $ask(['X-Forwarded-For' => '127.0.0.1'])->assertNotFound();
        $this->withServerVariables(['REMOTE_ADDR' => '10.1.2.3'])->getJson('/api/session')->assertJsonPath('mailbox', false);
    }

    public function test_people_behind_a_trusted_proxy_are_told_apart_and_others_cannot_pretend(): void
    {
        $tries = function (string $address): int {
            $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1']);
            for ($try = 1; $try <= 10; $try++) {
                $answer = $this->postJson(
                    '/api/sign-in',
                    ['email' => 'ada@sternbild.test', 'password' => "guess $try"],
                    ['X-Forwarded-For' => $address],
                );
                if ($answer->status() === 429) {
                    return $try - 1;
                }
            }

            return 10;
        };
        TrustProxies::at(['127.0.0.1']);
        self::assertSame(6, $tries('203.0.113.1'));
        self::assertSame(6, $tries('203.0.113.2'));
        TrustProxies::at([]);
        self::assertSame(6, $tries('203.0.113.3'));
        self::assertSame(0, $tries('203.0.113.4'), 'Who is not trusted cannot say that it is somebody else.');
    }

    public function test_wrong_links_of_one_hold_up_nobody_else(): void
    {
        for ($try = 1; $try <= 7; $try++) {
            $last = $this->postJson('/api/confirm', ['token' => 'wrong'])->status();
        }
        self::assertSame(429, $last);
        $this->postJson('/api/confirm', ['token' => 'another'])->assertUnprocessable();
    }

    public function test_a_full_disk_is_said_in_words_and_by_the_health_check(): void
    {
        Route::get(
            '/try/full',
            static fn () => throw new \ErrorException(
                'file_put_contents(): Write of 8192 bytes failed with errno=28 No space left on device',
            ),
        );
        $this->getJson('/try/full')->assertStatus(503)->assertJsonPath('problem', 'full')->assertHeader('Retry-After', '60');
        $this->getJson('/up')->assertOk();
        config()->set('sternbild.least_free', PHP_INT_MAX);
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('status', 'full')->assertJsonStructure(['message']);
    }

    public function test_a_log_that_cannot_be_written_stops_nothing(): void
    {
        config()->set(['logging.default' => 'kept', 'logging.channels.single.path' => '/dev/full']);
        Log::forgetChannel('single');
        Log::forgetChannel('kept');
        Route::get('/try/broken', static fn () => throw new \RuntimeException('Something.'));
        $this->getJson('/try/broken')->assertStatus(500)->assertJsonStructure(['message']);
    }

    public function test_what_takes_too_long_or_too_much_is_a_limit_and_no_fault_of_the_server(): void
    {
        Route::get('/try/long', static fn () => throw new OverBudget('No more.'));
        Route::get(
            '/try/large',
            static fn () => throw new FatalError('Allowed memory size of 268435456 bytes exhausted', 0, [
                'type' => E_ERROR,
                'message' => '',
                'file' => __FILE__,
                'line' => __LINE__,
            ]),
        );
        foreach (['long', 'large'] as $what) {
            $this->getJson("/try/$what")->assertUnprocessable()->assertJsonPath('problem', 'limit');
        }
    }
}
