<?php

namespace App\Sheets;

/**
 * Pictures are made two at a time on a machine: whoever comes third is told so at once and comes back, so that making pictures never takes all
 * workers.
 */
final class RenderSlots
{
    public const SLOTS = 2;

    /**
     * @template T
     *
     * @param  callable(): T  $render
     * @return T
     *
     * @throws SlotsTaken
     */
    public function within(callable $render): mixed
    {
        $slot = $this->free() ?? throw new SlotsTaken('Other pictures are being made just now.');
        try {
            return $render();
        } finally {
            flock($slot, LOCK_UN);
            fclose($slot);
        }
    }

    /** @return resource|null locked; the lock ends with the process at the latest */
    private function free(): mixed
    {
        for ($number = 1; $number <= self::SLOTS; $number++) {
            $file = fopen(self::path($number), 'c');
            if ($file !== false && flock($file, LOCK_EX | LOCK_NB)) {
                return $file;
            }
            if ($file !== false) {
                fclose($file);
            }
        }

        return null;
    }

    public static function path(int $number): string
    {
        return storage_path("framework/render-$number.lock");
    }
}
