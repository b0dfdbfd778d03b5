<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Svg\PathText;
use Sternbild\Core\Tests\Svg\PathTextTest;

/** Path data of every sort against a general-purpose reader of SVG (Debian: python3-svgelements). */
final class DrawnPathLibraryTest extends TestCase
{
    use AsksPython;

    public function test_paths_of_all_commands_enclose_the_same_areas(): void
    {
        mt_srand(1406);
        $paths = array_map(static fn (): string => PathTextTest::anyPath(), range(1, 300));
        $compared = 0;
        foreach ($this->python('paths.py', $paths) as $number => $theirs) {
            // Behind a quadratic a smooth cubic has nothing to mirror, SVG 2, 9.3.6, nor the other way round; the library mirrors all the
            // same.
            if (preg_match('/[QqTt][^A-Za-z]*[Ss]|[CcSs][^A-Za-z]*[Tt]/', $paths[$number]) === 1) {
                continue;
            }
            [$runs, $fault] = PathText::read($paths[$number]);
            self::assertNull($fault, $paths[$number]);
            $ours = 0.0;
            $apex = isset($runs[0]) ? $runs[0][0][0]->start() : null;
            foreach ($runs as [$curves]) {
                foreach ($curves as $curve) {
                    $ours += $apex === null ? 0.0 : $curve->areaSeenFrom($apex);
                }
            }
            self::assertIsNumeric($theirs);
            // Ellipses are cubics here, which leave them by 4.3e-6 of the larger radius.
            self::assertEqualsWithDelta((float) $theirs, $ours, 1e-3 * max(100.0, abs((float) $theirs)), $paths[$number]);
            $compared++;
        }
        self::assertGreaterThan(200, $compared);
    }
}
