<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\Square;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Field\ManyField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\SizesField;
use Sternbild\Core\Plan\Field\SwitchField;

/** Each chapter of a plan, or all of it, as files of its own at several sizes, in one archive: an icon set. */
final class SetForm extends FileForm
{
    private const MOST_PICTURES = 60;

    /** Per cent of the square's side. */
    private const MOST_CLEAR = 40.0;

    public function name(): string
    {
        return 'set';
    }

    public function rank(): int
    {
        return 4;
    }

    public function options(Handed $of): array
    {
        $chapters = self::named($of->scene());

        return [
            ...$chapters === [] ? [] : [new ManyField('chapters', 'chapters', $chapters, none: 'the whole')],
            new SizesField('sizes', 'sizes in pixels', [16, 24, 32]),
            NumberField::share('clear', 'clear space in per cent', 10)->between(0, self::MOST_CLEAR),
            new ManyField('formats', 'forms', ['svg' => 'SVG', 'png' => 'PNG'], ['svg', 'png'], least: 1),
            new SwitchField('ground', 'with the sheet’s ground', 'with the sheet’s ground', 'without it'),
        ];
    }

    public function proposed(Handed $of): array
    {
        return ['chapters' => array_map(strval(...), array_keys(self::named($of->scene())))];
    }

    public function ending(array $asked): string
    {
        return 'zip';
    }

    public function estimate(Handed $of, array $asked): Estimate
    {
        $scene = $of->scene();
        $chapters = self::chapters($scene, self::words($asked, 'chapters'), $of->name);
        [$sizes, $formats] = [self::sizes($asked), self::words($asked, 'formats')];
        $pictures = in_array('png', $formats, true) ? count($chapters) * count($sizes) : 0;
        if ($pictures > self::MOST_PICTURES) {
            throw WrongOptions::at(
                'sizes',
                sprintf('There would be %d pictures; at most %d can be made at once.', $pictures, self::MOST_PICTURES),
            );
        }
        foreach ($chapters as $ids) {
            if (Square::around($scene, $ids, self::clear($asked), $sizes[0], ($asked['ground'] ?? false) === true) !== null) {
                $files = count($chapters) * count($sizes) * count($formats);

                return new Estimate([$files === 1 ? 'One file.' : "$files files."]);
            }
        }
        throw WrongOptions::at('chapters', 'Nothing of these chapters is drawn by itself.');
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $scene = $of->scene();
        $chapters = self::chapters($scene, self::words($asked, 'chapters'), $of->name);
        [$sizes, $formats] = [self::sizes($asked), self::words($asked, 'formats')];
        $zip = Archive::begun($path);
        $meanwhile->pieces(count($chapters) * count($sizes));
        $made = 0;
        foreach ($chapters as $name => $ids) {
            foreach ($sizes as $size) {
                $square = Square::around($scene, $ids, self::clear($asked), $size, ($asked['ground'] ?? false) === true);
                $svg = $square === null ? null : SvgDrawing::writeSquare($scene, $square);
                if ($svg !== null && in_array('svg', $formats, true)) {
                    $zip->addFromString("$name-$size.svg", $svg);
                }
                if ($svg !== null && in_array('png', $formats, true)) {
                    $zip->addFromString("$name-$size.png", Raster::png($svg, 1.0, meanwhile: $meanwhile->goesOn(...)));
                }
                $meanwhile->made(++$made);
            }
        }
        Archive::ended($zip);
    }

    /** @return array<string, string> what chapters are called, by their first step */
    private static function named(Scene $scene): array
    {
        $chapters = [];
        foreach ($scene->plan->sections() as $section) {
            if ($section->named) {
                $chapters[$section->from] = $section->name;
            }
        }

        return $chapters;
    }

    /**
     * @param  list<string>  $from  the first steps of chapters; none for the whole
     * @return non-empty-array<string, list<string>|null> ids of their steps by the name of the files; null for the whole drawing
     */
    private static function chapters(Scene $scene, array $from, string $whole): array
    {
        $ids = array_map(strval(...), array_keys($scene->plan->steps));
        $begin = 0;
        $chapters = [];
        $names = new FileNames;
        foreach ($scene->plan->sections() as $section) {
            if (in_array($section->from, $from, true)) {
                $chapters[$names->of($section->name, $section->from)] = array_slice($ids, $begin, $section->steps);
            }
            $begin += $section->steps;
        }

        return $chapters === [] ? [$whole => null] : $chapters;
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<string>
     */
    private static function words(array $asked, string $name): array
    {
        return array_values(array_filter(is_array($asked[$name] ?? null) ? $asked[$name] : [], is_string(...)));
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return non-empty-list<int>
     */
    private static function sizes(array $asked): array
    {
        return array_values(array_filter(is_array($asked['sizes'] ?? null) ? $asked['sizes'] : [], is_int(...))) ?: [16];
    }

    /** @param  array<string, mixed>  $asked */
    private static function clear(array $asked): float
    {
        return is_float($asked['clear'] ?? null) ? $asked['clear'] / 100 : 0.0;
    }
}
