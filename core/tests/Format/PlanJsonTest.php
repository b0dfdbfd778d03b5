<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

final class PlanJsonTest extends TestCase
{
    public function test_a_plan_may_grow_to_the_size_of_a_file_and_shrink_from_beyond(): void
    {
        $room = PlanReader::LARGEST_FILE - strlen(PlanJson::pretty(self::plan(0)));
        $full = self::plan($room);
        self::assertSame(PlanReader::LARGEST_FILE, strlen(PlanJson::pretty($full)));
        PlanJson::holdGrowth(self::plan(0), $full);
        PlanJson::holdGrowth(self::plan($room + 2), self::plan($room + 1));
        self::assertCount(6, PlanReader::decode(PlanJson::pretty($full)));
        $this->expectException(Unusable::class);
        $this->expectExceptionMessage('at most 5 MB');
        PlanJson::holdGrowth($full, self::plan($room + 1));
    }

    /** @return array<string, mixed> */
    private static function plan(int $letters): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 8, 'height' => 8, 'unit' => 'px', 'background' => null],
            'palette' => [],
            'values' => [],
            'steps' => [['id' => 'c1', 'kind' => 'circle', 'label' => str_repeat('a', $letters)]],
        ];
    }
}
