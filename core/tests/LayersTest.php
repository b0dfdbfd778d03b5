<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests;

use PHPUnit\Framework\TestCase;

final class LayersTest extends TestCase
{
    private const ROOT = __DIR__.'/../src';

    public function test_nothing_in_the_core_names_the_framework_the_application_or_the_database(): void
    {
        $seen = 0;
        foreach (self::files() as $file) {
            $seen++;
            $code = (string) file_get_contents($file);
            self::assertDoesNotMatchRegularExpression('/Illuminate|\bDesk\\\\|\bApp\\\\|\bapp\/|\bPDO\b|pgsql|\bDB::/', $code, $file);
        }
        self::assertGreaterThan(40, $seen);
    }

    public function test_the_namespaces_form_no_cycle(): void
    {
        $uses = Namespaces::uses(self::ROOT, 'Sternbild\Core');
        self::assertGreaterThan(30, count($uses));
        self::assertSame([], Namespaces::circles($uses), 'These name one another in a circle.');
    }

    public function test_a_circle_is_found(): void
    {
        self::assertSame(
            ['a', 'b'],
            array_keys(Namespaces::circles(['a' => ['b' => ''], 'b' => ['a' => '', 'c' => ''], 'c' => ['d' => ''], 'd' => []])),
        );
    }

    public function test_no_two_classes_have_one_name(): void
    {
        $names = array_map(static fn (string $file): string => basename($file, '.php'), self::files());
        self::assertSame([], array_diff_assoc($names, array_unique($names)));
    }

    public function test_of_gives_its_own_class(): void
    {
        foreach (self::files() as $file) {
            $class = 'Sternbild\\Core\\'.strtr(substr($file, strlen(self::ROOT) + 1, -4), '/', '\\');
            if (method_exists($class, 'of') && (new \ReflectionMethod($class, 'of'))->isStatic()) {
                self::assertContains(
                    (string) (new \ReflectionMethod($class, 'of'))->getReturnType(),
                    ['self', 'static', $class],
                    "$class::of",
                );
            }
        }
    }

    /** @return list<string> */
    private static function files(): array
    {
        $files = array_keys(
            iterator_to_array(new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::ROOT)), '/\.php$/')),
        );
        sort($files);

        return array_map(strval(...), $files);
    }
}
