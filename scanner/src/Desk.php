<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** The scanner on one desk: its cover, its feed, and the scan at hand. Kept in a folder, since each request is another process. */
final class Desk
{
    public const RESOLUTIONS = [100, 150, 200, 300];

    /** Seconds without a line after which a scan has failed. */
    private const STALLED = 10;

    /** How many lamps of all desks burn at once. */
    private const MOST_LAMPS = 2;

    private readonly string $folder;

    /**
     * @param  string  $home  the folder of all desks
     * @param  \Closure(string, string): void  $light  begins to scan: given this desk's folder and the scan's id
     *
     * @throws Refusal
     */
    public function __construct(private readonly string $home, string $name, private readonly Tray $tray, private readonly \Closure $light)
    {
        if (preg_match('/^[a-z0-9-]{1,64}$/D', $name) !== 1) {
            throw Refusal::unknown('A desk is called by at most 64 small letters, digits and hyphens.');
        }
        $this->folder = "$home/$name";
        is_dir($this->folder) ||
            @mkdir($this->folder, 0o700, true) ||
            is_dir($this->folder) ||
            throw new \RuntimeException("$this->folder cannot be made.");
    }

    /** @return array{cover: 'open'|'closed', feed: 'clear'|'jams'|'jammed', state: string, resolutions: list<int>, tray: list<array{page: string, title: string, width: float, height: float}>, scan: array<string, mixed>|null} */
    public function told(): array
    {
        $state = State::read($this->folder);
        $scan = $this->current($state);

        return [
            'cover' => $state->isOpen ? 'open' : 'closed',
            'feed' => $state->isJammed ? 'jammed' : ($state->jamsAt === null ? 'clear' : 'jams'),
            'state' => match (true) {
                $state->isOpen => Refusal::COVER_OPEN,
                $state->isJammed => Refusal::JAMMED,
                $scan?->state === Scan::SCANNING => Scan::SCANNING,
                default => 'ready',
            },
            'resolutions' => self::RESOLUTIONS,
            'tray' => array_map(static fn (Page $page): array => $page->told(), $this->tray->pages()),
            'scan' => $scan?->told(),
        ];
    }

    /**
     * Begins to scan a sheet of the tray.
     *
     * @param  int|null  $seed  how it lies, is lit, and the grain; by lot where none is given
     *
     * @throws Refusal
     */
    public function scan(string $page, int $resolution, ?int $seed = null): Scan
    {
        $this->tray->page($page);
        in_array($resolution, self::RESOLUTIONS, true) ||
            throw Refusal::field('resolution', 'Expected '.implode(', ', self::RESOLUTIONS).' dots per inch.');
        $scan = State::change($this->folder, function (State $state) use ($page, $resolution, $seed): Scan {
            $state->isOpen && throw Refusal::coverOpen();
            $state->isJammed && throw Refusal::jammed();
            $this->current($state)?->state === Scan::SCANNING && throw Refusal::busy();
            $this->lamps() < self::MOST_LAMPS || throw Refusal::busy();
            @unlink("$this->folder/image.jpg");

            return $state->scan = new Scan(bin2hex(random_bytes(8)), $page, $resolution, $seed ?? random_int(0, 0x7FFFFFFF));
        });
        State::reach($this->folder, $scan);
        ($this->light)($this->folder, $scan->id);

        return $scan;
    }

    /** @throws Refusal */
    public function find(string $id): Scan
    {
        $scan = $this->current(State::read($this->folder));

        return $scan?->id === $id ? $scan : throw Refusal::unknown('There is no such scan here, or another one came after it.');
    }

    /**
     * @return string the file, a JPEG
     *
     * @throws Refusal
     */
    public function image(string $id): string
    {
        return $this->find($id)->state === Scan::DONE ? "$this->folder/image.jpg" : throw Refusal::notReady();
    }

    /**
     * Ends a scan; one that has ended is forgotten with its picture.
     *
     * @throws Refusal
     */
    public function cancel(string $id): void
    {
        $this->find($id);
        State::change($this->folder, function (State $state): void {
            if ($state->scan?->state === Scan::SCANNING) {
                $state->scan = $state->scan->as(Scan::CANCELLED);
            } else {
                $state->scan = null;
                @unlink("$this->folder/image.jpg");
            }
        });
    }

    public function cover(bool $isOpen): void
    {
        State::change($this->folder, static function (State $state) use ($isOpen): void {
            $state->isOpen = $isOpen;
        });
    }

    /**
     * @param  float|null  $at  where on its way the next sheet jams, from 0 to 1; null takes a jammed one out
     *
     * @throws Refusal
     */
    public function feed(?float $at): void
    {
        $at === null || ($at >= 0.0 && $at <= 1.0) || throw Refusal::field('at', 'Expected a number from 0 to 1: how far the sheet gets.');
        State::change($this->folder, static function (State $state) use ($at): void {
            $state->jamsAt = $at;
            $state->isJammed = $at === null ? false : $state->isJammed;
        });
    }

    /** The scan at hand, which has failed where its lamp died. */
    private function current(State $state): ?Scan
    {
        if ($state->scan === null) {
            return null;
        }
        [$lines, $of, $since] = State::reached($this->folder);
        $scan = $state->scan->at($lines, $of);

        return $scan->state === Scan::SCANNING && $since > self::STALLED ? $scan->as(Scan::FAILED) : $scan;
    }

    private function lamps(): int
    {
        $burning = 0;
        foreach (glob("$this->home/*/state.json") ?: [] as $file) {
            $burning += $this->isBurning(dirname($file)) ? 1 : 0;
        }

        return $burning;
    }

    private function isBurning(string $folder): bool
    {
        return $folder !== $this->folder &&
            State::read($folder)->scan?->state === Scan::SCANNING &&
            State::reached($folder)[2] <= self::STALLED;
    }
}
