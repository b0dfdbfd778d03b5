<?php

namespace App\Scanner;

use App\Models\User;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** The scanner on a person's desk, over its loopback interface (docs/scanner.md). */
final readonly class Scanner
{
    /** Seconds to be found in, and to answer in; a request of the application has five. */
    private const FIND = 1;

    private const ANSWER = 3;

    private string $desk;

    public function __construct(User $person)
    {
        $this->desk = "/desks/person-$person->id";
    }

    /**
     * @return array<string, mixed> its cover, its feed, its tray, and the scan at hand
     *
     * @throws ScannerFault
     */
    public function told(): array
    {
        return $this->json('get', '');
    }

    /**
     * @return string the look of a sheet in the tray, as SVG
     *
     * @throws ScannerFault
     */
    public function page(string $name): string
    {
        return $this->ask('get', "/pages/$name")->body();
    }

    /**
     * @param  array<mixed>  $wanted  which sheet, how finely
     * @return array<string, mixed> the scan that has begun
     *
     * @throws ScannerFault
     */
    public function scan(array $wanted): array
    {
        return $this->json('post', '/scans', $wanted);
    }

    /**
     * @return array<string, mixed> how far a scan is
     *
     * @throws ScannerFault
     */
    public function progress(string $scan): array
    {
        return $this->json('get', "/scans/$scan");
    }

    /**
     * @return array<string, mixed> the scanner, with that scan ended
     *
     * @throws ScannerFault
     */
    public function cancel(string $scan): array
    {
        return $this->json('delete', "/scans/$scan");
    }

    /**
     * Does with the file of a scan what is asked for; it is gone afterwards.
     *
     * @template T
     *
     * @param  callable(string): T  $work  given a path
     * @return T
     *
     * @throws ScannerFault
     */
    public function withImage(string $scan, callable $work): mixed
    {
        $file = tempnam(sys_get_temp_dir(), 'scan') ?: throw new \RuntimeException('There is no place for a scan.');
        try {
            $this->ask('get', "/scans/$scan/image", to: $file);

            return $work($file);
        } finally {
            unlink($file);
        }
    }

    /**
     * What a hand does at the scanner: the cover, or a sheet in the feed.
     *
     * @param  'cover'|'feed'  $part
     * @param  array<mixed>  $how
     * @return array<string, mixed> the scanner after it
     *
     * @throws ScannerFault
     */
    public function touch(string $part, array $how): array
    {
        return $this->json('put', "/$part", $how);
    }

    /**
     * @param  array<mixed>  $said
     * @return array<string, mixed>
     *
     * @throws ScannerFault
     */
    private function json(string $method, string $path, array $said = []): array
    {
        $told = $this->ask($method, $path, $said)->json();

        return is_array($told) ? $told : throw ScannerFault::away();
    }

    /**
     * @param  array<mixed>  $said
     * @param  string|null  $to  the file that the answer is written to
     *
     * @throws ScannerFault
     */
    private function ask(string $method, string $path, array $said = [], ?string $to = null): Response
    {
        $request = Http::baseUrl(config()->string('sternbild.scanner'))->connectTimeout(self::FIND)->timeout(self::ANSWER)
            ->when($to !== null, static fn (PendingRequest $request): PendingRequest => $request->sink((string) $to));
        try {
            $response = $request->send($method, $this->desk.$path, $said === [] ? [] : ['json' => $said]);
        } catch (ConnectionException) {
            throw ScannerFault::away();
        }
        if ($response->successful()) {
            return $response;
        }
        // What was refused is small, and may lie in the file.
        $refused = json_decode($to === null ? $response->body() : (string) file_get_contents($to), true);

        throw is_array($refused) && is_string($refused['message'] ?? null) && $response->clientError()
            ? new ScannerFault($response->status(), $refused['message'], is_string($refused['field'] ?? null) ? $refused['field'] : null)
            : ScannerFault::away();
    }
}
