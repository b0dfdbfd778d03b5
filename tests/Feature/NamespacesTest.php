<?php

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Tests\Namespaces;
use Tests\Architecture\Layers;

final class NamespacesTest extends TestCase
{
    /** @return array<string, array{string, string, list<list<string>>}> */
    public static function sides(): array
    {
        return ['core' => ['core/src', 'Sternbild\Core', Layers::CORE], 'application' => ['app', 'App', Layers::APP]];
    }

    /** @param  list<list<string>>  $rows */
    #[DataProvider('sides')]
    public function test_no_namespaces_name_one_another_in_a_circle(string $folder, string $root, array $rows): void
    {
        self::assertSame([], Namespaces::circles(Namespaces::uses(__DIR__."/../../$folder", $root)));
    }

    /** @param  list<list<string>>  $rows */
    #[DataProvider('sides')]
    public function test_every_namespace_stands_in_a_row_that_is_held(string $folder, string $root, array $rows): void
    {
        $there = array_map(
            static fn (string $name): string => substr($name, strlen($root) + 1),
            array_keys(Namespaces::uses(__DIR__."/../../$folder", $root)),
        );
        $rowed = array_merge(...$rows);
        sort($there);
        sort($rowed);
        self::assertSame($rowed, $there);
    }
}
