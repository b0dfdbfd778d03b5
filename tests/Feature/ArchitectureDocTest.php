<?php

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The tree in `docs/architecture.md` is the tree. */
final class ArchitectureDocTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string}> a folder, where its part of the tree begins, and how the tree tells those in
     *   it
     */
    public static function folders(): iterable
    {
        yield 'core' => ['core/src', '/^core\/ .*?(?=^app\/)/ms', '/^  src\/(\w+) /m'];
        yield 'plan' => ['core/src/Plan', '/^  src\/Plan .*?(?=^  src\/Snap)/ms', '/\b(Field|Kind|Reading|Edit)\b(?=[, ].*  )/m'];
        yield 'application' => ['app', '/^app\/ .*?(?=^scanner\/)/ms', '/\b([A-Z]\w+)\/(?=[, ]| )/'];
        yield 'front end' => ['resources/js', '/^resources\/js\/ .*$/m', '/\b(?!js)(\w+)\/(?=[ ,]|$)/m'];
        yield 'editor' => ['resources/js/editor', '/^  editor\/ .*?(?=^resources\/demo)/ms', '/^    (\w+)\/ /m'];
    }

    #[DataProvider('folders')]
    public function test_the_tree_tells_the_folders_that_there_are(string $folder, string $part, string $names): void
    {
        self::assertSame(1, preg_match($part, (string) file_get_contents(__DIR__.'/../../docs/architecture.md'), $block), $folder);
        preg_match_all($names, $block[0], $told);
        $there = array_map(basename(...), glob(__DIR__."/../../$folder/*", GLOB_ONLYDIR) ?: []);
        self::assertEqualsCanonicalizing($there, array_values(array_unique($told[1])));
    }
}
