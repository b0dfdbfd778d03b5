<?php

namespace App\Work;

use App\Models\Export;
use Sternbild\Core\Handing\Meanwhile;

/** How far a file is, told to the person who waits for it; and whether that person still does. */
final class Progress implements Meanwhile
{
    /** Whether it is still wanted is asked so often, in seconds. */
    private const ASKED_EVERY = 0.25;

    private float $asked = 0.0;

    public function __construct(private readonly Export $export)
    {
    }

    /** @throws Cancelled */
    public function pieces(int $pieces): void
    {
        $this->tell(['pieces' => max(1, $pieces)]);
    }

    /** @throws Cancelled */
    public function made(int $made): void
    {
        $this->tell(['made' => $made]);
    }

    /**
     * Said by what takes long, as often as it likes.
     *
     * @throws Cancelled
     */
    public function goesOn(): void
    {
        if (microtime(true) - $this->asked >= self::ASKED_EVERY) {
            $this->tell(['updated_at' => now()]);
        }
    }

    /**
     * @param  array<string, mixed>  $values
     *
     * @throws Cancelled
     */
    private function tell(array $values): void
    {
        $this->asked = microtime(true);
        if (Export::query()->whereKey($this->export->id)->where('state', Export::WORKING)->update($values) === 0) {
            throw new Cancelled;
        }
    }
}
