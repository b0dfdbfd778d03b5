<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Paint\Compositing;

/** Colours laid over one another as another program lays them (Debian: python3-pil). */
final class CompositingLibraryTest extends TestCase
{
    use AsksPython;

    public function test_what_something_is_seen_through_mixes_as_elsewhere_within_a_step_of_256(): void
    {
        mt_srand(1984);
        $pairs = [];
        for ($k = 0; $k < 2_000; $k++) {
            $pairs[] = [
                sprintf('#%06x%02x', mt_rand(0, 0xFFFFFF), mt_rand(0, 255)),
                sprintf('#%06x%02x', mt_rand(0, 0xFFFFFF), $k % 3 === 0 ? 255 : mt_rand(0, 255)),
            ];
        }
        $read = $this->python('over.py', $pairs);
        foreach ($pairs as $k => [$source, $backdrop]) {
            $ours = Compositing::bytes(Compositing::over($source, $backdrop));
            self::assertIsArray($read['over']);
            // Where next to nothing is left, its colour is rounded from next to nothing.
            self::assertEqualsWithDelta($read['over'][$k], $ours, $ours[3] > 40 ? 1 : 12, "$source over $backdrop");
            foreach (['multiply', 'screen', 'darken', 'lighten'] as $blend) {
                [$top, $ground] = [substr($source, 0, 7), substr($backdrop, 0, 7)];
                self::assertIsArray($read[$blend]);
                self::assertEqualsWithDelta(
                    $read[$blend][$k],
                    array_slice(Compositing::bytes(Compositing::over($top, $ground, 1.0, $blend)), 0, 3),
                    1,
                    "$top $blend $ground",
                );
            }
        }
    }
}
