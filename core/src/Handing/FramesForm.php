<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\MovingRaster;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Plan\Kind\Pixel\FramesKind;

/** The frames on a grid: moving, or all of them in one picture with a file that says where each lies. */
final class FramesForm extends PaintedForm
{
    public function name(): string
    {
        return 'frames';
    }

    public function rank(): int
    {
        return 7;
    }

    public function ending(array $asked): string
    {
        return ['apng' => 'png', 'sheet' => 'zip'][self::form($asked)] ?? self::form($asked);
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        [$whole, $frames, $pictures] = PixelRaster::frames($of->scene(), self::id($asked));
        $scale = self::scale($asked);
        if (self::form($asked) !== 'sheet') {
            file_put_contents($path, match (self::form($asked)) {
                'svg' => $whole->svg($scale),
                'png' => $whole->png($scale),
                default => MovingRaster::apng($pictures, $scale, $frames->ms),
            });

            return;
        }
        $zip = Archive::begun($path);
        $zip->addFromString("$of->name.png", $whole->png($scale));
        $zip->addFromString("$of->name.json", MovingRaster::json($frames, $whole, "$of->name.png", $scale));
        Archive::ended($zip);
    }

    protected static function reaches(): string
    {
        return ' in all frames';
    }

    protected static function painted(Handed $of): array
    {
        $frames = [];
        $scene = $of->scene();
        foreach ($scene->plan->steps as $id => $step) {
            if ($step->kind instanceof FramesKind && isset($scene->known[$id])) {
                $frames[$id] = $scene->labels[$id];
            }
        }

        return $frames;
    }

    protected static function forms(): array
    {
        return ['apng' => 'Moving PNG', 'sheet' => 'PNG and JSON', 'png' => 'PNG', 'svg' => 'SVG'];
    }

    protected static function picture(Handed $of, string $id): PixelRaster
    {
        return PixelRaster::frames($of->scene(), $id)[0];
    }
}
