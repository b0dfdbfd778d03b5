<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Plan\Field\NumberField;

/** Pixels. */
final class PngForm extends FileForm
{
    /** Pixels times the figures that are laid over one another as pictures; more would take longer than anybody waits. */
    private const MOST_BLENDED = 1.5e9;

    private const LARGEST_SCALE = 100.0;

    public function name(): string
    {
        return 'png';
    }

    public function rank(): int
    {
        return 2;
    }

    public function options(Handed $of): array
    {
        return [NumberField::scale('scale', 'scale', self::LARGEST_SCALE, 1), Shown::field()];
    }

    public function proposed(Handed $of): array
    {
        return ['scale' => 2];
    }

    public function ending(array $asked): string
    {
        return 'png';
    }

    public function estimate(Handed $of, array $asked): Estimate
    {
        $scene = $of->scene();
        $scale = self::scale($asked);
        $unit = $scale * $scene->plan->unit->pixels();
        [$across, $down] = [$scene->plan->width * $unit, $scene->plan->height * $unit];
        if (max($across, $down) > Raster::LARGEST_SIDE) {
            throw WrongOptions::at(
                'scale',
                sprintf(
                    'The picture would be %s pixels on its longer side; at most %s can be made.',
                    number_format(max($across, $down)),
                    number_format(Raster::LARGEST_SIDE),
                ),
            );
        }
        $blended = self::blended($scene);
        if ($across * $down * $blended > self::MOST_BLENDED) {
            throw WrongOptions::at('scale', sprintf(
                'There are %s half transparent or blended figures; at this size they would take too long. A scale of %.2g would do.',
                number_format($blended), $scale * sqrt(self::MOST_BLENDED / ($across * $down * $blended)),
            ));
        }

        return new Estimate([sprintf('%d × %d pixels', round($across), round($down))]);
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $scale = self::scale($asked);
        $svg = Shown::svg($of->scene(), $asked, $scale);
        $meanwhile->goesOn();
        file_put_contents($path, Raster::png($svg, $scale, meanwhile: $meanwhile->goesOn(...)));
    }

    /** @param  array<string, mixed>  $asked */
    private static function scale(array $asked): float
    {
        return is_float($asked['scale'] ?? null) ? $asked['scale'] : 1.0;
    }

    private static function blended(Scene $scene): int
    {
        $blended = 0;
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styles as $style) {
                $blended += $style !== null && ($style->opacity < 1.0 || $style->blend !== 'normal') ? 1 : 0;
            }
        }

        return $blended;
    }
}
