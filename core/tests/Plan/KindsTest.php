<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;

/** What every kind of step declares about itself has to hold, whichever kinds there are. */
final class KindsTest extends TestCase
{
    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::all()->list() as $kind) {
            yield $kind->name() => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_its_fields_have_names_of_their_own_and_what_only_shows_it_is_among_them(Kind $kind): void
    {
        $names = array_map(static fn (Field $field): string => $field->name, $kind->fields());
        self::assertSame($names, array_unique($names));
        self::assertSame([], array_diff($kind->presentation(), $names));
    }
}
