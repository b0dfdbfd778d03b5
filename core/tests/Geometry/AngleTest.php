<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;

final class AngleTest extends TestCase
{
    public function test_right_angles_are_exact(): void
    {
        $those = [[0, 0.0, 1.0], [90, 1.0, 0.0], [180, 0.0, -1.0], [270, -1.0, 0.0], [-90, -1.0, 0.0], [720, 0.0, 1.0]];
        foreach ($those as [$degrees, $sine, $cosine]) {
            self::assertSame($sine, Angle::sine($degrees) + 0.0, "sin $degrees");
            self::assertSame($cosine, Angle::cosine($degrees) + 0.0, "cos $degrees");
        }
    }

    public function test_sine_and_cosine_agree_with_radians_everywhere(): void
    {
        mt_srand(11);
        for ($k = 0; $k < 2000; $k++) {
            $degrees = mt_rand(-200_000, 200_000) / 173;
            self::assertEqualsWithDelta(sin(deg2rad($degrees)), Angle::sine($degrees), 1e-12);
            self::assertEqualsWithDelta(cos(deg2rad($degrees)), Angle::cosine($degrees), 1e-12);
        }
    }

    public function test_opposite_headings_are_exactly_opposite(): void
    {
        for ($k = 0; $k < 36; $k++) {
            $one = Vec::heading($k * 10.0);
            $other = Vec::heading($k * 10.0 + 180);
            self::assertSame($one->x + 0.0, -$other->x + 0.0);
            self::assertSame($one->y + 0.0, -$other->y + 0.0);
        }
    }
}
