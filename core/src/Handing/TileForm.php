<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SeamProof;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Format\TileRaster;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ManyField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Numerals;

/** The smallest rectangle of a pattern that repeats. */
final class TileForm extends FileForm
{
    /** Pixels that a tile may have on its longer side. */
    private const LARGEST_SIDE = 5000;

    public function name(): string
    {
        return 'tile';
    }

    public function rank(): int
    {
        return 5;
    }

    public function suits(Handed $of): bool
    {
        return self::patterns($of->scene()) !== [];
    }

    public function options(Handed $of): array
    {
        $patterns = self::patterns($of->scene());

        return [
            new ChoiceField('of', 'pattern', $patterns ?: ['' => 'none'], (string) array_key_last($patterns)),
            new ChoiceField('as', 'form', ['svg' => 'SVG', 'png' => 'PNG', 'pdf' => 'PDF'], 'svg'),
            NumberField::count('width', 'width in pixels', 1, self::LARGEST_SIDE)->onlyWhere('as', 'png'),
            ...count($patterns) < 2 ? [] : [new ManyField('with', 'together with', $patterns, but: 'of')],
        ];
    }

    public function ending(array $asked): string
    {
        return is_string($asked['as'] ?? null) ? $asked['as'] : 'svg';
    }

    public function estimate(Handed $of, array $asked): Estimate
    {
        $scene = $of->scene();
        $tile = self::tile($scene, $asked);
        $size = Numerals::plain(round($tile->width, 4)).' × '.Numerals::plain(round($tile->height, 4)).' '.$scene->plan->unit->value;
        if ($this->ending($asked) !== 'png') {
            return new Estimate([$size]);
        }
        $width = self::width($scene, $tile, $asked);
        $height = $tile->heightFor($width);
        if (max($width, $height) > self::LARGEST_SIDE) {
            throw WrongOptions::at(
                'width',
                sprintf(
                    'The tile would be %s × %s pixels; at most %s a side can be made.',
                    number_format($width),
                    number_format($height),
                    number_format(self::LARGEST_SIDE),
                ),
            );
        }
        $near = array_map(
            static fn (array $near): array => ['label' => "$near[0] × $near[1]", 'options' => ['width' => $near[0]]],
            $tile->exactNear($width),
        );

        return $tile->isExactAt($width)
            ? new Estimate(["$size, $width × $height pixels, exact."])
            : new Estimate(
                [
                    sprintf('%s, %d × %d pixels, stretched by %.2f of a pixel.', $size, $width, $height, $tile->offAt($width)).
                    ($near === [] ? ' None near by is exact.' : ' Exact:'),
                ],
                $near,
            );
    }

    public function isProved(): bool
    {
        return true;
    }

    public function proved(Handed $of, array $asked): array
    {
        try {
            $proof = SeamProof::of($of->scene(), self::tile($of->scene(), $asked), Raster::AT_ONCE);
        } catch (RenderFailed) {
            return ['Laying it 3 × 3 to look for a seam takes too long.'];
        }

        return [$proof->holds() ? 'Laid 3 × 3 it shows no seam.' : 'Laid 3 × 3, '.number_format($proof->off).' pixels are off.'];
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $scene = $of->scene();
        $tile = self::tile($scene, $asked);
        file_put_contents($path, match ($this->ending($asked)) {
            'png' => TileRaster::png($scene, $tile, self::width($scene, $tile, $asked), $meanwhile->goesOn(...)),
            'pdf' => Raster::pdf(SvgDrawing::writeTile($scene, $tile), $meanwhile->goesOn(...)),
            default => SvgDrawing::writeTile($scene, $tile),
        });
    }

    /** @param  array<string, mixed>  $asked */
    private static function tile(Scene $scene, array $asked): Tile
    {
        $with = is_array($asked['with'] ?? null) ? array_values(array_filter($asked['with'], is_string(...))) : [];

        return Tile::of($scene, is_string($asked['of'] ?? null) ? $asked['of'] : '', array_values(array_diff($with, [$asked['of'] ?? ''])));
    }

    /** @param  array<string, mixed>  $asked */
    private static function width(Scene $scene, Tile $tile, array $asked): int
    {
        return is_float($asked['width'] ?? null) ? (int) $asked['width'] : $tile->naturalWidth($scene->plan->unit);
    }

    /** @return array<string, string> what patterns are called, by id */
    private static function patterns(Scene $scene): array
    {
        $patterns = [];
        foreach ($scene->drawing as $drawn) {
            if ($drawn->part->spread !== null && ! $drawn->part->spread->isFrieze) {
                $patterns[$drawn->id] = $scene->labels[$drawn->id];
            }
        }

        return $patterns;
    }
}
