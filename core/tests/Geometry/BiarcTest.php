<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Biarc;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

final class BiarcTest extends TestCase
{
    public function test_it_leaves_and_arrives_as_asked_and_has_no_corner(): void
    {
        $lot = new Randomizer(new Mt19937(75));
        $made = 0;
        for ($round = 0; $round < 400; $round++) {
            $start = new Vec($lot->getInt(-10_000, 10_000) / 100, $lot->getInt(-10_000, 10_000) / 100);
            $end = new Vec($lot->getInt(-10_000, 10_000) / 100, $lot->getInt(-10_000, 10_000) / 100);
            [$way, $onward] = [Vec::heading($lot->getInt(0, 3600) / 10), Vec::heading($lot->getInt(0, 3600) / 10)];
            $arcs = Biarc::between($start, $way, $end, $onward);
            if ($arcs === null) {
                continue;
            }
            $made++;
            [$first, $second] = $arcs;
            self::assertLessThan(1e-9, $first->start()->distanceTo($start));
            self::assertLessThan(1e-9, $first->end()->distanceTo($second->start()));
            self::assertLessThan(1e-9, $second->end()->distanceTo($end));
            self::assertLessThan(1e-6, $first->tangentAt(0.0)->distanceTo($way));
            self::assertLessThan(1e-6, $first->tangentAt(1.0)->distanceTo($second->tangentAt(0.0)));
            self::assertLessThan(1e-6, $second->tangentAt(1.0)->distanceTo($onward));
        }
        self::assertGreaterThan(100, $made);
    }

    public function test_along_a_circle_both_are_its_arcs(): void
    {
        $arcs = Biarc::between(new Vec(50, 0), new Vec(0, 1), new Vec(0, 50), new Vec(-1, 0));
        self::assertNotNull($arcs);
        foreach ($arcs as $arc) {
            self::assertInstanceOf(Arc::class, $arc);
            self::assertEqualsWithDelta(50, $arc->radius(), 1e-9);
            self::assertLessThan(1e-9, $arc->center()->length());
        }
    }

    public function test_what_hardly_bends_is_straight_and_what_would_turn_back_is_nothing(): void
    {
        self::assertInstanceOf(Line::class, Biarc::leaving(new Vec(0, 0), new Vec(1, 0), new Vec(10, 0)));
        self::assertInstanceOf(Line::class, Biarc::leaving(new Vec(0, 0), new Vec(1, 0), new Vec(10, 0.0005), 1e-4));
        self::assertInstanceOf(Arc::class, Biarc::leaving(new Vec(0, 0), new Vec(1, 0), new Vec(10, 0.0005)));
        self::assertNull(Biarc::leaving(new Vec(0, 0), new Vec(-1, 0), new Vec(10, 0)));
        self::assertNull(Biarc::leaving(new Vec(3, 4), new Vec(1, 0), new Vec(3, 4)));
    }
}
