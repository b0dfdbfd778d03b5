<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Paint;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Paint\Compositing;

/** Porter and Duff's operator over, 1984: c = cs + cb (1 − as), of colours multiplied by their alpha. */
final class CompositingTest extends TestCase
{
    public function test_what_is_opaque_hides_and_what_is_clear_shows_all(): void
    {
        self::assertSame('#1b2140', Compositing::over('#1b2140', '#f2b33d'));
        self::assertSame('#f2b33d', Compositing::over('#1b214000', '#f2b33d'));
        self::assertSame('#1b214080', Compositing::over('#1b214080', '#00000000'));
        self::assertSame('#00000000', Compositing::over('#1b2140', '#00000000', 0.0));
    }

    public function test_half_over_opaque_lies_in_the_middle_and_two_halves_leave_a_quarter(): void
    {
        self::assertSame('#808080', Compositing::over('#ffffff', '#000000', 128 / 255));
        [, , , $alpha] = Compositing::bytes(Compositing::over('#ffffff80', '#ffffff80'));
        // 1 − (1 − ½)², with ½ as 128 of 255.
        self::assertSame((int) round(255 * (1 - (127 / 255) ** 2)), $alpha);
    }

    public function test_it_is_associative_as_the_paper_says(): void
    {
        mt_srand(84);
        for ($k = 0; $k < 300; $k++) {
            [$a, $b, $c] = array_map(static fn (): string => sprintf('#%06x%02x', mt_rand(0, 0xFFFFFF), mt_rand(64, 255)), [0, 1, 2]);
            $left = Compositing::bytes(Compositing::over(Compositing::over($a, $b), $c));
            $right = Compositing::bytes(Compositing::over($a, Compositing::over($b, $c)));
            self::assertEqualsWithDelta($left, $right, 2);
        }
    }

    public function test_blends_go_over_what_is_there_only(): void
    {
        self::assertSame('#804020', Compositing::over('#ffffff', '#804020', 1.0, 'multiply'));
        self::assertSame('#ffffff', Compositing::over('#ffffff', '#804020', 1.0, 'screen'));
        self::assertSame('#102030', Compositing::over('#102030', '#00000000', 1.0, 'multiply'));
        self::assertSame(
            ['#104020', '#806030'],
            [Compositing::over('#106030', '#804020', 1.0, 'darken'), Compositing::over('#106030', '#804020', 1.0, 'lighten')],
        );
    }
}
