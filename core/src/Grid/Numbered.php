<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** Cells and intersections counted from 1, each by one number. */
trait Numbered
{
    public static function cellWords(): array
    {
        return ['cell'];
    }

    public static function pointWords(): array
    {
        return ['point'];
    }

    public function cellCoordinates(int $cell): array
    {
        return [$cell + 1];
    }

    public function cellsAt(array $coordinates): array
    {
        self::expect($coordinates, 1, '#number');

        return array_map(static fn (int $number): int => $number - 1, self::each('cell', $coordinates[0], $this->cellCount()));
    }

    public function pointCoordinates(int $point): array
    {
        return [$point + 1];
    }
}
