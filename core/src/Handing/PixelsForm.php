<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\PixelRaster;

/** The painted cells of a grid, a pixel or a square of them for each. */
final class PixelsForm extends PaintedForm
{
    public function name(): string
    {
        return 'pixels';
    }

    public function rank(): int
    {
        return 6;
    }

    public function ending(array $asked): string
    {
        return self::form($asked);
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $picture = self::picture($of, self::id($asked));
        file_put_contents($path, self::form($asked) === 'svg' ? $picture->svg(self::scale($asked)) : $picture->png(self::scale($asked)));
    }

    protected static function painted(Handed $of): array
    {
        $grids = [];
        foreach ($of->scene()->drawing as $drawn) {
            $grid = $drawn->part->painted->grid ?? null;
            if ($grid !== null && PixelRaster::isOn($of->scene(), $grid)) {
                $grids[$grid] = $of->scene()->labels[$grid] ?? $grid;
            }
        }

        return $grids;
    }

    protected static function forms(): array
    {
        return ['png' => 'PNG', 'svg' => 'SVG'];
    }

    protected static function picture(Handed $of, string $id): PixelRaster
    {
        return PixelRaster::of($of->scene(), $id);
    }
}
