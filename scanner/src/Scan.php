<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** One sheet on its way under the lamp. */
final readonly class Scan
{
    public const SCANNING = 'scanning';

    public const DONE = 'done';

    public const CANCELLED = 'cancelled';

    public const JAMMED = 'jammed';

    public const COVER_OPEN = 'cover_open';

    public const FAILED = 'failed';

    private const MESSAGES = [
        self::JAMMED => 'The sheet jammed on its way. Take it out, and scan again.',
        self::COVER_OPEN => 'The cover was opened during the scan. Close it, and scan again.',
        self::FAILED => 'The scanner stopped in the middle of the sheet. Scan again.',
    ];

    /**
     * @param  int  $resolution  dots per inch
     * @param  int  $seed  of how it lies and is lit, and of the grain
     * @param  int  $lines  how many are read
     * @param  int  $of  how many there are
     */
    public function __construct(
        public string $id,
        public string $page,
        public int $resolution,
        public int $seed,
        public string $state = self::SCANNING,
        public int $lines = 0,
        public int $of = 0,
    ) {
    }

    public function as(string $state): self
    {
        return new self($this->id, $this->page, $this->resolution, $this->seed, $state, $this->lines, $this->of);
    }

    public function at(int $lines, int $of): self
    {
        return new self($this->id, $this->page, $this->resolution, $this->seed, $this->state, $lines, $of);
    }

    /** @return array{id: string, page: string, resolution: int, seed: int, state: string, lines: int, of: int, message: string|null} */
    public function told(): array
    {
        return [
            'id' => $this->id, 'page' => $this->page, 'resolution' => $this->resolution, 'seed' => $this->seed,
            'state' => $this->state, 'lines' => $this->lines, 'of' => $this->of, 'message' => self::MESSAGES[$this->state] ?? null,
        ];
    }
}
