<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** What the finding about a hidden part says of what hides it. */
final class UnseenTest extends TestCase
{
    public function test_the_part_that_hides_another_alone_is_named_whatever_else_lies_over_it(): void
    {
        self::assertSame(
            ['Small: lies wholly behind cover'],
            self::hidden([self::disc('p1', 'small', 400, 40), self::disc('p2', 'beside', 500, 70), self::disc('p3', 'cover', 400, 90)]),
        );
    }

    public function test_the_frontmost_of_several_that_hide_it_is_named(): void
    {
        self::assertSame(
            ['Small: lies wholly behind front', 'Back: lies wholly behind front'],
            self::hidden([self::disc('p1', 'small', 400, 40), self::disc('p2', 'back', 400, 60), self::disc('p3', 'front', 400, 90)]),
        );
    }

    public function test_where_none_hides_it_alone_all_that_do_are_named(): void
    {
        self::assertSame(['Small: lies wholly behind right and left'], self::hidden([
            self::disc('p1', 'small', 400, 40),
            ['id' => 'p2', 'kind' => 'part.rectangle', 'name' => 'left', 'corners' => [[300, 300], [401, 500]]],
            ['id' => 'p3', 'kind' => 'part.rectangle', 'name' => 'right', 'corners' => [[399, 300], [500, 500]]],
        ]));
    }

    /** @return array<string, mixed> */
    private static function disc(string $id, string $name, int $x, int $radius): array
    {
        return ['id' => $id, 'kind' => 'part.circle', 'name' => $name, 'center' => [$x, 400], 'radius' => $radius];
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return list<string>
     */
    private static function hidden(array $steps): array
    {
        $findings = Sample::scene(Sample::plan($steps))->findings;

        return array_values(
            array_map(
                static fn (Finding $finding): string => $finding->message,
                array_filter($findings, static fn (Finding $finding): bool => $finding->code === 'hidden'),
            ),
        );
    }
}
