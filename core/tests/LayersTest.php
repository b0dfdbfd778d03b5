<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests;

use PHPUnit\Framework\TestCase;

final class LayersTest extends TestCase
{
    public function test_nothing_in_the_core_names_the_framework_the_application_or_the_database(): void
    {
        $files = new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__.'/../src')), '/\.php$/');
        $seen = 0;
        foreach ($files as $file) {
            $seen++;
            $code = (string) file_get_contents((string) $file);
            self::assertDoesNotMatchRegularExpression('/Illuminate|\bApp\\\\|\bapp\/|\bPDO\b|pgsql|\bDB::/', $code, (string) $file);
        }
        self::assertGreaterThan(40, $seen);
    }
}
