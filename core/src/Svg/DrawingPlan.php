<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;

/** A drawing as a plan: a step for each shape, one for each look, the palette, the size of the sheet. */
final class DrawingPlan
{
    private const BLENDS = ['multiply', 'screen', 'darken', 'lighten'];

    /** Of more colours they are written where they are, and make no palette. */
    private const MOST_NAMED = 40;

    /** @var list<array<string, mixed>> */
    private array $steps = [];

    /** @var array<string, list<string>> ids of parts by their look, as JSON */
    private array $looks = [];

    /** @var list<string> ids of what is drawn, from back to front */
    private array $drawn = [];

    /** @var array<string, int> */
    private array $numbers = [];

    /** @var array<int, string> ids of clips, by the object of their first shape */
    private array $clips = [];

    /** @var array<int, Bounds> around each on the sheet, by the same */
    private array $clipBoxes = [];

    private readonly Gradients $gradients;

    private function __construct(private readonly DrawnFile $drawing)
    {
        $this->gradients = new Gradients($drawing);
    }

    /**
     * A plan of its own. What could not be kept is told by the drawing afterwards.
     *
     * @return array<string, mixed>
     */
    public static function written(DrawnFile $drawing): array
    {
        $background = count($drawing->shapes) > 1 ? self::background($drawing) : null;
        ['steps' => $steps, 'chapters' => $chapters, 'palette' => $palette] = self::steps($drawing, [], $background === null ? null : 0);

        return [
            'format' => 'sternbild-plan', 'version' => 1,
            'sheet' => [
                'width' => round($drawing->width, 6), 'height' => round($drawing->height, 6), 'unit' => $drawing->unit,
                'background' => array_search($background, $palette, true) ?: $background,
            ],
            'palette' => $palette, 'values' => [],
            ...($chapters === [] ? [] : ['chapters' => $chapters]),
            'steps' => $steps,
        ];
    }

    /**
     * Its steps for a plan that is there already.
     *
     * @param  array<string, string>  $known  its palette, #rrggbb by name
     * @param  int|null  $without  the number of a shape that is left out, since it is something else
     * @return array{steps: list<array<string, mixed>>, chapters: list<array{name: string, from: string}>, drawn: list<string>, palette: array<string, string>} with ids of
     *   their own; what is drawn, from back to front; and the colours that are new
     */
    public static function steps(DrawnFile $drawing, array $known, ?int $without = null): array
    {
        $plan = new self($drawing);
        $firsts = [];
        foreach ($drawing->shapes as $number => $shape) {
            $before = count($plan->steps);
            $number === $without || $plan->shape($shape);
            $firsts[$number] = count($plan->steps) > $before ? $plan->steps[$before]['id'] : null;
        }
        foreach ($plan->looks as $look => $parts) {
            $said = json_decode($look, true);
            $plan->steps[] = ['id' => $plan->id('s'), 'kind' => 'style', 'of' => $parts, ...(is_array($said) ? $said : [])];
        }
        $chapters = [];
        foreach ($drawing->groups as $first => [$name, $end]) {
            $seen = array_filter(array_slice($firsts, $first, $end - $first), is_string(...));
            array_push($chapters, ...($seen === [] ? [] : [['name' => $name, 'from' => reset($seen)]]));
        }
        $palette = self::palette($plan->steps, $known);
        $names = array_flip([...$palette, ...$known]);

        return [
            'steps' => array_map(static fn (array $step): array => self::named($step, $names), $plan->steps),
            'chapters' => $chapters,
            'drawn' => $plan->drawn,
            'palette' => $palette,
        ];
    }

    /** The colour of the sheet: that of a rectangle behind all else which is as large as it. */
    private static function background(DrawnFile $drawing): ?string
    {
        $shape = $drawing->shapes[0];
        $hides =
            ($shape->look['stroke'] ?? 'none') === 'none' &&
            ($shape->look['mix-blend-mode'] ?? 'normal') === 'normal' &&
            $shape->opacity * DrawnFile::share($shape->look['fill-opacity'] ?? '1') === 1.0;
        if (
            ! $hides ||
            $shape->plain === null ||
            $shape->plain[0] !== 'rectangle' ||
            $shape->clips !== [] ||
            ! $shape->map->isSimilarity()
        ) {
            return null;
        }
        $box = $shape->box();
        $off = max(abs($box->left), abs($box->top), abs($box->right - $drawing->width), abs($box->bottom - $drawing->height));
        // The box of one that is turned is larger than it.
        $isAll =
            $off < 1e-6 * max($drawing->width, $drawing->height) &&
            abs(($shape->plain[1][2] * $shape->plain[1][3] * abs($shape->map->determinant())) / ($drawing->width * $drawing->height) - 1) <
                1e-6;
        $colour = $isAll ? ColourText::read($shape->look['fill'] ?? 'black') : null;

        return $colour !== null && $colour[1] === 1.0 ? $colour[0] : null;
    }

    private function shape(DrawnShape $shape): void
    {
        [$runs] = PathText::read($shape->path);
        $boxes = array_map(static fn (Curve $curve): Bounds => $curve->bounds(), array_merge(...array_column($runs, 0)));
        $box = $boxes === [] ? new Bounds(0.0, 0.0, 0.0, 0.0) : Bounds::of(...$boxes);
        [$fill, $fillOpacity] = $this->paint($shape, 'fill', $box);
        [$stroke, $strokeOpacity] = $this->paint($shape, 'stroke', $box);
        $width = Lengths::read($shape->look['stroke-width'] ?? '1', 1.0, 1.0) * sqrt(abs($shape->map->determinant()));
        $stroke = $width > 0.0 ? $stroke : 'none';
        if ($fill === 'none' && $stroke === 'none') {
            $this->drawing->leave("$shape->place: it has neither fill nor stroke, and is not seen");

            return;
        }
        if ($shape->clips !== [] && $this->isClippedAway($shape, $shape->box()->grownBy($stroke === 'none' ? 0.0 : $width))) {
            $this->drawing->leave("$shape->place: it is clipped away, and is not seen");

            return;
        }
        if ($stroke !== 'none' && ! $shape->map->isSimilarity()) {
            $this->drawing->leave("$shape->place: its stroke is wider one way than the other, and is evenly wide here");
        }
        $isOpen = array_filter(array_column($runs, 1)) !== array_column($runs, 1);
        $asBand = $stroke !== 'none' && ($isOpen || $shape->clips !== []);
        if ($fill !== 'none' && $stroke !== 'none' && ! $asBand && abs($fillOpacity - $strokeOpacity) > 1e-3) {
            $this->drawing->leave("$shape->place: fill and stroke can be seen through unequally, and are alike here");
        }
        if ($fill !== 'none' || ! $asBand) {
            $look = [
                ...$fill === 'none' ? ['fill' => 'none'] : ['fill' => $fill],
                ...$stroke === 'none' || $asBand ? [] : ['stroke' => $this->stroke($shape, $stroke, $width)],
            ];
            $this->looked($this->part($shape), $look, $fill === 'none' ? $strokeOpacity : $fillOpacity, $shape);
        }
        if ($asBand) {
            $this->looked($this->band($shape, $runs, $width), ['fill' => $stroke], $strokeOpacity, $shape);
        }
    }

    /** Whether it lies wholly beside one of its clips, as far as boxes tell. */
    private function isClippedAway(DrawnShape $shape, Bounds $box): bool
    {
        foreach ($shape->clips as $clip) {
            $around = $this->clipBoxes[spl_object_id($clip[0])] ??= Bounds::of(
                ...array_map(static fn (DrawnShape $one): Bounds => $one->box(), $clip),
            );
            if (! $around->meets($box, 0.0)) {
                return true;
            }
        }

        return false;
    }

    /** The step that draws a shape, its fill as far as it goes. */
    private function part(DrawnShape $shape): string
    {
        $isSimilar = $shape->map->isSimilarity();
        [$sort, $numbers] = $shape->plain ?? ['', []];
        $scale = $shape->map->scale();
        $said = match (true) {
            $sort === 'circle' && $isSimilar => [
                'kind' => 'part.circle',
                'center' => self::place($shape->map, $numbers),
                'radius' => self::round($numbers[2] * $scale),
            ],
            $sort === 'rectangle' && $isSimilar && ! $shape->map->isMirrored() => [
                'kind' => 'part.rectangle',
                'origin' => self::place($shape->map, $numbers),
                'size' => [self::round($numbers[2] * $scale), self::round($numbers[3] * $scale)],
                ...self::turned($shape->map),
            ],
            $sort === 'ellipse' && $isSimilar && ! $shape->map->isMirrored() => [
                'kind' => 'part.ellipse',
                'center' => self::place($shape->map, $numbers),
                'radii' => [self::round($numbers[2] * $scale), self::round($numbers[3] * $scale)],
                ...self::turned($shape->map),
            ],
            default => [
                'kind' => 'part.svg',
                'path' => $shape->path,
                ...$shape->map->isIdentity() ? [] : ['map' => array_map(self::fine(...), $shape->map->toArray())],
                ...$shape->rule === 'evenodd' ? ['rule' => 'evenodd'] : [],
            ],
        };

        return $this->add('p', [...$said, ...($shape->name === '' ? [] : ['name' => $shape->name])]);
    }

    /**
     * The step that draws a stroke as a shape of its own.
     *
     * @param  list<array{list<Curve>, bool}>  $runs
     */
    private function band(DrawnShape $shape, array $runs, float $width): string
    {
        $guides = [];
        foreach ($runs as [$curves, $closed]) {
            $mapped = array_merge(...array_map(static fn (Curve $curve): array => $curve->mapped($shape->map), $curves));
            $found = Recovery::found($mapped, $closed);
            if (count($found) === 1 && $found[0] instanceof Arc && $found[0]->isFullCircle()) {
                $guides[] = $this->add('c', [
                    'kind' => 'guide.circle',
                    'center' => self::at($found[0]->center()),
                    'radius' => self::round($found[0]->radius()),
                ]);
            } elseif ($found !== []) {
                $points = [self::at($found[0]->start()), ...array_map(static fn (Curve $curve): array => self::at($curve->end()), $found)];
                $bends = array_map(self::bend(...), $found);
                $guides[] = $this->add('c', [
                    'kind' => 'guide.run',
                    'points' => $points,
                    ...array_filter($bends) === [] ? [] : ['bends' => $bends],
                ]);
            }
        }
        if (($shape->look['stroke-dasharray'] ?? 'none') !== 'none') {
            $this->drawing->leave("$shape->place: its dashes");
        }

        return $this->add('b', [
            'kind' => 'band',
            'of' => $guides,
            'width' => self::round($width),
            ...self::ends($shape, 'join', 'cap'),
            ...$shape->name === '' ? [] : ['name' => $shape->name],
        ]);
    }

    /** @param  array<string, mixed>  $look */
    private function looked(string $id, array $look, float $opacity, DrawnShape $shape): void
    {
        foreach ($shape->clips as $clip) {
            $id = $this->add('q', ['kind' => 'common', 'of' => [$id, $this->clip($clip)]]);
        }
        $this->drawn[] = $id;
        $blend = $shape->look['mix-blend-mode'] ?? 'normal';
        if ($blend !== 'normal' && ! in_array($blend, self::BLENDS, true)) {
            $this->drawing->leave("$shape->place: it blends by {$blend}");
        }
        $opacity *= $shape->opacity;
        $look = [
            ...$look,
            ...$opacity < 1.0 ? ['opacity' => round($opacity, 4)] : [],
            ...in_array($blend, self::BLENDS, true) ? ['blend' => $blend] : [],
        ];
        $this->looks[json_encode($look, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)][] = $id;
    }

    /**
     * @param  list<DrawnShape>  $clip
     */
    private function clip(array $clip): string
    {
        $key = spl_object_id($clip[0]);
        if (! isset($this->clips[$key])) {
            $parts = array_map(function (DrawnShape $shape): string {
                $id = $this->part($shape);
                foreach ($shape->clips as $inner) {
                    $id = $this->add('q', ['kind' => 'common', 'of' => [$id, $this->clip($inner)]]);
                }

                return $id;
            }, $clip);
            $this->clips[$key] = count($parts) === 1 ? $parts[0] : $this->add('q', ['kind' => 'join', 'of' => $parts]);
        }

        return $this->clips[$key];
    }

    /**
     * @return array{string|array<string, mixed>, float} colour or gradient, none where there is none, and how far it hides
     */
    private function paint(DrawnShape $shape, string $what, Bounds $box): array
    {
        $said = $shape->look[$what] ?? 'none';
        $opacity = DrawnFile::share($shape->look["$what-opacity"] ?? '1');
        if ($said === 'none' || $opacity === 0.0) {
            return ['none', 1.0];
        }
        if (str_starts_with($said, 'url(')) {
            $server = $this->drawing->referenced($said);
            if ($server !== null && in_array($server->localName, ['linearGradient', 'radialGradient'], true)) {
                return [$this->gradients->of($server, $shape, $box), $opacity * ($this->gradients->opacity($server, $shape) ?? 1.0)];
            }
            $said = trim((string) preg_replace('/^url\([^)]*\)/', '', $said)) ?: 'none';
            $this->drawing->leave(
                "$shape->place: its {$what}, ".
                    ($server === null ? 'which the file does not hold' : "a {$server->localName}").
                    ($said === 'none' ? '' : "; it is {$said} here"),
            );
        }
        if ($said === 'none') {
            return ['none', 1.0];
        }
        $colour = ColourText::read(strtolower($said) === 'currentcolor' ? $shape->look['color'] ?? 'black' : $said);
        if ($colour === null) {
            $this->drawing->leave("$shape->place: its {$what} “".mb_substr($said, 0, 30).'” is no colour; it is black here');
        }
        [$hex, $alpha] = $colour ?? ['#000000', 1.0];

        return $alpha * $opacity === 0.0 ? ['none', 1.0] : [$hex, $alpha * $opacity];
    }

    /**
     * @param  string|array<string, mixed>  $paint
     * @return array<string, mixed>
     */
    private function stroke(DrawnShape $shape, string|array $paint, float $width): array
    {
        $dash = array_values(
            array_filter(
                array_map(
                    static fn (string $one): float => Lengths::read($one, 1.0, 0.0),
                    preg_split('/[\s,]+/', $shape->look['stroke-dasharray'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [],
                ),
                static fn (float $one): bool => $one > 0.0,
            ),
        );

        return [
            'color' => $paint,
            'width' => self::round($width),
            ...self::ends($shape, 'join', 'cap'),
            ...$dash === [] || count($dash) > 16
                ? []
                : ['dash' => array_map(static fn (float $one): float => self::round($one * $shape->map->scale()), $dash)],
        ];
    }

    /** @return array<string, string> how its corners and ends are, where that is said */
    private static function ends(DrawnShape $shape, string $join, string $cap): array
    {
        return array_filter([
            $join => in_array($shape->look['stroke-linejoin'] ?? '', ['round', 'bevel'], true) ? $shape->look['stroke-linejoin'] : '',
            $cap => in_array($shape->look['stroke-linecap'] ?? '', ['round', 'square'], true) ? $shape->look['stroke-linecap'] : '',
        ], static fn (string $one): bool => $one !== '');
    }

    /** @return array<string, mixed>|null */
    private static function bend(Curve $curve): ?array
    {
        return match (true) {
            $curve instanceof Arc => ['bulge' => round(tan($curve->sweep() / 4), 9)],
            $curve instanceof Cubic => ['handles' => [self::at($curve->leaving), self::at($curve->arriving)]],
            default => null,
        };
    }

    /** @param  array<string, mixed>  $said */
    private function add(string $letter, array $said): string
    {
        $id = $this->id($letter);
        $this->steps[] = ['id' => $id, ...$said];

        return $id;
    }

    private function id(string $letter): string
    {
        $this->numbers[$letter] = ($this->numbers[$letter] ?? 0) + 1;

        return $letter.$this->numbers[$letter];
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  array<string, string>  $known
     * @return array<string, string> #rrggbb by name
     */
    private static function palette(array $steps, array $known): array
    {
        $colours = [];
        foreach ($steps as $step) {
            $stroke = $step['stroke'] ?? null;
            foreach ([$step['fill'] ?? null, is_array($stroke) ? $stroke['color'] ?? null : null] as $colour) {
                // Those of gradients stay where they are.
                if (is_string($colour) && $colour !== 'none') {
                    $colours[$colour] = true;
                }
            }
        }
        $colours = array_diff(array_keys($colours), $known);
        $palette = [];
        $number = 0;
        foreach (count($colours) > self::MOST_NAMED ? [] : $colours as $colour) {
            do {
                $name = 'colour '.++$number;
            } while (isset($known[$name]));
            $palette[$name] = $colour;
        }

        return $palette;
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, string>  $names
     * @return array<string, mixed>
     */
    private static function named(array $step, array $names): array
    {
        if ($step['kind'] !== 'style') {
            return $step;
        }
        array_walk_recursive($step, static function (mixed &$value) use ($names): void {
            $value = is_string($value) ? $names[$value] ?? $value : $value;
        });

        return $step;
    }

    /**
     * @param  list<float>  $numbers
     * @return array{float, float}
     */
    private static function place(Affine $map, array $numbers): array
    {
        return self::at($map->apply(new Vec($numbers[0] ?? 0.0, $numbers[1] ?? 0.0)));
    }

    /** @return array{angle?: float} */
    private static function turned(Affine $map): array
    {
        $angle = round(rad2deg(atan2($map->b, $map->a)), 6) + 0.0;

        return $angle === 0.0 ? [] : ['angle' => $angle];
    }

    /** @return array{float, float} */
    private static function at(Vec $place): array
    {
        return [self::round($place->x), self::round($place->y)];
    }

    private static function round(float $number): float
    {
        return round($number, 6) + 0.0;
    }

    private static function fine(float $number): float
    {
        return round($number, 12) + 0.0;
    }
}
