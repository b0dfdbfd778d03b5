<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Vec;

/**
 * What an SVG file draws: its shapes from back to front, and what of it could not be kept.
 *
 * Scalable Vector Graphics 2, W3C: chapters 5 (structure), 7 (shapes), 8 (coordinate systems), 13 (painting); CSS Masking 1 for clip paths.
 */
final class DrawnFile
{
    /** Properties that what lies in an element takes from it. */
    private const INHERITED = [
        'fill', 'fill-opacity', 'fill-rule', 'clip-rule', 'color', 'visibility',
        'stroke', 'stroke-opacity', 'stroke-width', 'stroke-linejoin', 'stroke-linecap', 'stroke-miterlimit', 'stroke-dasharray',
    ];

    private const OWN = [
        'opacity',
        'display',
        'clip-path',
        'mask',
        'filter',
        'mix-blend-mode',
        'stop-color',
        'stop-opacity',
        'marker-start',
        'marker-mid',
        'marker-end',
    ];

    /** Shapes, those that are placed again and again among them. */
    public const MOST_SHAPES = 10_000;

    /** Uses within uses. */
    private const DEEPEST_USE = 20;

    private const SILENT = [
        'defs',
        'title',
        'desc',
        'metadata',
        'style',
        'symbol',
        'clipPath',
        'linearGradient',
        'radialGradient',
        'marker',
        'pattern',
        'mask',
        'filter',
        'namedview',
        'view',
        'stop',
    ];

    /** What programs keep in a file for themselves lies in other namespaces. */
    private const SVG = 'http://www.w3.org/2000/svg';

    /** @var list<DrawnShape> */
    public array $shapes = [];

    /** @var list<string> what was left out, and where */
    public array $left = [];

    /** @var array<int, array{string, int}> names of top groups, by the number of their first shape, and the number behind their last */
    public array $groups = [];

    public float $width;

    public float $height;

    public string $unit = 'px';

    private readonly Affine $base;

    /** Whether an element is gone through for its size only. */
    private bool $isMeasuring = false;

    /** How many shapes were gone through for that. */
    private int $lookedThrough = 0;

    /** User units that are 100 %, across and down. */
    public readonly Vec $viewport;

    private function __construct(public readonly Document $document, private readonly ?string $wanted)
    {
        [$this->width, $this->height, $this->base, $this->viewport] = $this->sheet();
        foreach (array_unique($document->unread) as $selector) {
            $this->left[] = "style sheet: “{$selector}” was not read";
        }
    }

    /**
     * @param  string|null  $unit  of the sheet that it comes to lie on; null for its own
     *
     * @throws NoDrawing
     */
    public static function read(string $text, ?string $unit = null): self
    {
        $drawing = new self(Document::read($text), $unit);
        $drawing->children(
            $drawing->document->root,
            new Surroundings($drawing->base, $drawing->look($drawing->document->root, ['fill' => '#000000'])),
            1,
        );
        if ($drawing->shapes === []) {
            throw new NoDrawing(
                'The drawing has no shape in it that could be brought in'.
                    ($drawing->left === [] ? '.' : ': '.implode('; ', array_slice($drawing->left, 0, 3)).'.'),
            );
        }

        return $drawing;
    }

    /** Where a paint server or something else is, by `url(#…)`. */
    public function referenced(string $text): ?\DOMElement
    {
        return preg_match('/^url\(\s*["\']?(#[^"\')]+)["\']?\s*\)/', $text, $found) === 1 ? $this->document->find($found[1]) : null;
    }

    public function leave(string $what): void
    {
        $this->left[] = $what;
    }

    /** @return array{float, float, Affine, Vec} size in sheet units, the map from user units to these, and the size in user units */
    private function sheet(): array
    {
        $root = $this->document->root;
        $box = Lengths::numbers($root->getAttribute('viewBox'));
        $box = count($box) === 4 && $box[2] > 0.0 && $box[3] > 0.0 ? $box : null;
        $wide = Lengths::parts($root->getAttribute('width'));
        $high = Lengths::parts($root->getAttribute('height'));
        $size = static fn (?array $given, float $whole): float => $given === null || $given[1] === '%' || $given[0] <= 0.0
            ? $whole
            : Lengths::read($given[0].$given[1], 0.0, $whole);
        [$across, $down] = [$size($wide, $box[2] ?? 800.0), $size($high, $box[3] ?? 800.0)];
        if ($wide !== null && $high !== null && $wide[1] === $high[1] && in_array($wide[1], ['mm', 'cm', 'in', 'pt'], true)) {
            $this->unit = $wide[1];
        }
        $this->unit = $this->wanted ?? $this->unit;
        $unit = Lengths::read('1'.$this->unit, 0.0, 1.0);
        $map = $box === null ? Affine::identity() : self::fitted($box, $across, $down, $root->getAttribute('preserveAspectRatio'));

        return [
            $across / $unit,
            $down / $unit,
            $map->then(Affine::scaling(1 / $unit, 1 / $unit, Vec::zero())),
            new Vec($box[2] ?? $across, $box[3] ?? $down),
        ];
    }

    /**
     * @param  non-empty-list<float>  $box
     */
    private static function fitted(array $box, float $wide, float $high, string $how): Affine
    {
        [$x, $y, $w, $h] = [$box[0], $box[1] ?? 0.0, $box[2] ?? 1.0, $box[3] ?? 1.0];
        [$across, $down] = [$wide / $w, $high / $h];
        if (! str_contains($how, 'none')) {
            $across = $down = str_contains($how, 'slice') ? max($across, $down) : min($across, $down);
        }
        $share = static fn (string $axis): float => str_contains($how, "{$axis}Min") ? 0.0 : (str_contains($how, "{$axis}Max") ? 1.0 : 0.5);

        return Affine::ofMatrix(
            $across,
            0.0,
            0.0,
            $down,
            -$x * $across + $share('x') * ($wide - $w * $across),
            -$y * $down + $share('Y') * ($high - $h * $down),
        );
    }

    /** @throws NoDrawing */
    private function children(\DOMElement $element, Surroundings $around, int $depth): void
    {
        Document::holdDepth($depth);
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && ($child->namespaceURI === null || $child->namespaceURI === self::SVG)) {
                $this->element($child, $around, $depth + 1);
            }
        }
    }

    /** @throws NoDrawing */
    private function element(\DOMElement $element, Surroundings $around, int $depth): void
    {
        $name = $element->localName ?? '';
        if (in_array($name, self::SILENT, true)) {
            return;
        }
        $look = $this->look($element, $around->look);
        if (($look['display'] ?? '') === 'none') {
            return;
        }
        foreach ($element->attributes as $attribute) {
            if (str_starts_with(strtolower($attribute->nodeName), 'on')) {
                $this->leave("{$this->place($element)}: its “{$attribute->nodeName}”, which is never run");
            }
        }
        foreach (['mask', 'filter'] as $effect) {
            if (! in_array($look[$effect] ?? 'none', ['none', ''], true)) {
                $this->leave("{$this->place($element)}: its {$effect}, so that it looks otherwise");
            }
        }
        $transform = $element->getAttribute('transform');
        $map = $transform === '' ? Affine::identity() : TransformText::read($transform);
        if ($map === null || abs($map->determinant()) < 1e-18) {
            $this->leave(
                "{$this->place($element)}: its transform “".mb_substr($transform, 0, 40).'” cannot be read, or leaves nothing of it',
            );

            return;
        }
        $inside = $around->within($map, $look, self::share($look['opacity'] ?? '1'));
        $this->shown($element, $this->clipped($element, $look['clip-path'] ?? 'none', $inside, $depth), $depth);
    }

    /**
     * What an element is, in its own coordinates and look.
     *
     * @throws NoDrawing
     */
    private function shown(\DOMElement $element, Surroundings $inside, int $depth): void
    {
        $name = $element->localName ?? '';
        match (true) {
            $name === 'g', $name === 'a' => $this->group($element, $inside, $depth),
            $name === 'svg' => $this->children($element, $this->nested($element, $inside), $depth),
            $name === 'switch' => $this->children($element, $inside, $depth),
            $name === 'use' => $this->used($element, $inside, $depth),
            in_array($name, ['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'], true) => $this->shape($element, $inside),
            $name === 'text' => $this->leave(
                "{$this->place($element)}: text “".
                    mb_substr(trim((string) preg_replace('/\s+/', ' ', $element->textContent)), 0, 30).
                    '” has to be outlined first',
            ),
            $name === 'image' => $this->leave("{$this->place($element)}: a picture in it, which is brought in by itself"),
            $name === 'script' => $this->leave("{$this->place($element)}: a script, which is never run"),
            default => $this->leave("{$this->place($element)}: “{$name}” is no shape"),
        };
    }

    /** @throws NoDrawing */
    private function group(\DOMElement $element, Surroundings $inside, int $depth): void
    {
        $first = count($this->shapes);
        $this->children($element, $inside, $depth);
        $name = self::nameOf($element);
        if ($depth === 2 && $name !== '' && count($this->shapes) > $first) {
            $this->groups[$first] = [$name, count($this->shapes)];
        }
        if (($inside->look['opacity'] ?? '1') !== '1' && count($this->shapes) > $first + 1) {
            $this->leave(
                "{$this->place($element)}: the opacity of the group is given to each of its shapes, so that they shine through one another",
            );
        }
    }

    /** @throws NoDrawing */
    private function used(\DOMElement $element, Surroundings $inside, int $depth): void
    {
        $href = $element->getAttribute('href') ?: $element->getAttributeNS('http://www.w3.org/1999/xlink', 'href');
        $target = $this->document->find($href);
        if ($target === null) {
            $this->leave(
                "{$this->place($element)}: what it uses, “".
                    mb_substr($href, 0, 40).
                    '”, is '.
                    (str_starts_with($href, '#') ? 'not in the file' : 'outside the file, and nothing is fetched'),
            );

            return;
        }
        if (in_array($target, $inside->uses, true) || count($inside->uses) >= self::DEEPEST_USE) {
            $this->leave("{$this->place($element)}: it uses itself");

            return;
        }
        $at = new Vec(
            Lengths::read($element->getAttribute('x'), $this->viewport->x, 0.0),
            Lengths::read($element->getAttribute('y'), $this->viewport->y, 0.0),
        );
        $inside = $inside->using($target)->within(Affine::move($at), $inside->look, 1.0);
        if ($target->localName === 'symbol' || $target->localName === 'svg') {
            $look = $this->look($target, $inside->look);
            $this->children($target, $this->nested($target, $inside->within(Affine::identity(), $look, 1.0), $element), $depth + 1);
        } else {
            $this->element($target, $inside, $depth + 1);
        }
    }

    /** What lies in a symbol or an svg of its own: fitted into its size, which a use may say. */
    private function nested(\DOMElement $element, Surroundings $inside, ?\DOMElement $use = null): Surroundings
    {
        $said = static fn (string $name): string => $use?->getAttribute($name) ?? '' ?: $element->getAttribute($name);
        [$x, $y] =
            $use === null
                ? [
                    Lengths::read($element->getAttribute('x'), $this->viewport->x, 0.0),
                    Lengths::read($element->getAttribute('y'), $this->viewport->y, 0.0),
                ]
                : [0.0, 0.0];
        $inside = $inside->within(Affine::move(new Vec($x, $y)), $inside->look, 1.0);
        $box = Lengths::numbers($element->getAttribute('viewBox'));
        if (count($box) !== 4 || $box[2] <= 0.0 || $box[3] <= 0.0) {
            return $inside;
        }
        [$wide, $high] = [
            Lengths::read($said('width'), $this->viewport->x, $this->viewport->x),
            Lengths::read($said('height'), $this->viewport->y, $this->viewport->y),
        ];

        return $inside->within(self::fitted($box, $wide, $high, $element->getAttribute('preserveAspectRatio')), $inside->look, 1.0);
    }

    /** @throws NoDrawing */
    private function clipped(\DOMElement $element, string $clip, Surroundings $inside, int $depth): Surroundings
    {
        // How large something is does not hang on what is clipped of it (SVG 2, 8.10).
        if ($clip === 'none' || $clip === '' || $this->isMeasuring) {
            return $inside;
        }
        $path = $this->referenced($clip);
        if ($path === null || $path->localName !== 'clipPath' || in_array($path, $inside->uses, true)) {
            $this->leave("{$this->place($element)}: what it is clipped by, “".mb_substr($clip, 0, 40).'”');

            return $inside;
        }
        $map = TransformText::read($path->getAttribute('transform')) ?? Affine::identity();
        if ($path->getAttribute('clipPathUnits') === 'objectBoundingBox') {
            $box = $this->measured($element, $inside, $depth);
            if ($box === null) {
                $this->leave("{$this->place($element)}: its clip path, which is measured by what it clips, and that has no size");

                return $inside;
            }
            $map = $map->then(Affine::ofMatrix($box->right - $box->left, 0.0, 0.0, $box->bottom - $box->top, $box->left, $box->top));
        }
        $shapes = $this->shapes;
        $this->shapes = [];
        $around = new Surroundings(
            $map->then($inside->map),
            ['fill' => '#000000', 'fill-rule' => $inside->look['clip-rule'] ?? 'nonzero'],
            1.0,
            [],
            [...$inside->uses, $path],
        );
        foreach ($path->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $rule = $this->look($child, $around->look)['clip-rule'] ?? 'nonzero';
                $this->element($child, $around->within(Affine::identity(), [...$around->look, 'fill-rule' => $rule], 1.0), $depth + 1);
            }
        }
        $clips = $this->shapes;
        $this->shapes = $shapes;

        return $inside->clippedBy($clips);
    }

    /**
     * The box around all that an element draws, in its own coordinates; null where it has no width or no height, or there is too much in it
     * to be looked at once more.
     *
     * @throws NoDrawing
     */
    private function measured(\DOMElement $element, Surroundings $inside, int $depth): ?Bounds
    {
        if ($this->lookedThrough > self::MOST_SHAPES) {
            return null;
        }
        $before = [$this->shapes, $this->left, $this->groups];
        [$this->shapes, $this->isMeasuring] = [[], true];
        $this->shown($element, new Surroundings(Affine::identity(), $inside->look, 1.0, [], $inside->uses), $depth);
        $drawn = $this->shapes;
        [[$this->shapes, $this->left, $this->groups], $this->isMeasuring] = [$before, false];
        $this->lookedThrough += count($drawn);
        $boxes = array_map(static fn (DrawnShape $shape): Bounds => $shape->box(), $drawn);
        $box = $boxes === [] ? null : Bounds::of(...$boxes);

        return $box !== null && $box->right > $box->left && $box->bottom > $box->top ? $box : null;
    }

    /** @throws NoDrawing */
    private function shape(\DOMElement $element, Surroundings $inside): void
    {
        $place = $this->place($element);
        if (
            in_array($inside->look['visibility'] ?? 'visible', ['hidden', 'collapse'], true) ||
            array_filter($inside->clips, static fn (array $one): bool => $one === []) !== []
        ) {
            return;
        }
        if (count($this->shapes) >= self::MOST_SHAPES) {
            throw new NoDrawing(
                'The drawing has more than '.number_format(self::MOST_SHAPES).' shapes; it can be brought in as a picture.',
            );
        }
        [$path, $plain] = Shapes::written($element, $this->viewport);
        [$runs, $fault] = $path === '' ? [[], null] : PathText::read($path);
        if ($fault !== null) {
            $this->leave("$place: $fault".($runs === [] ? '' : '; it is kept as far as that'));
        }
        if ($runs === []) {
            return;
        }
        foreach (['marker-start', 'marker-mid', 'marker-end'] as $marker) {
            if (! in_array($inside->look[$marker] ?? 'none', ['none', ''], true)) {
                $this->leave("$place: its {$marker}");
            }
        }
        $this->shapes[] = new DrawnShape(
            $fault === null ? $path : PathText::written($runs),
            $plain,
            $inside->map,
            ($inside->look['fill-rule'] ?? '') === 'evenodd' ? 'evenodd' : 'nonzero',
            $inside->look,
            $inside->opacity,
            $inside->clips,
            $place,
            self::nameOf($element),
        );
    }

    /**
     * @param  array<string, string>  $parent
     * @return array<string, string>
     */
    private function look(\DOMElement $element, array $parent): array
    {
        $look = array_intersect_key($parent, array_flip(self::INHERITED));
        $said = [];
        foreach ([...self::INHERITED, ...self::OWN] as $property) {
            $value = trim($element->getAttribute($property));
            if ($value !== '') {
                $said[$property] = $value;
            }
        }
        $said = [...$said, ...$this->document->sheet->of($element)];
        foreach ($said as $property => $value) {
            if ($value === 'inherit') {
                $look[$property] = $parent[$property] ?? '';
            } elseif (in_array($property, self::INHERITED, true) || in_array($property, self::OWN, true)) {
                $look[$property] = $value;
            }
        }

        return array_filter($look, static fn (string $value): bool => $value !== '');
    }

    private function place(\DOMElement $element): string
    {
        $id = $element->getAttribute('id');

        return $element->localName.($id === '' ? '' : ' “'.mb_substr($id, 0, 40).'”').', line '.$element->getLineNo();
    }

    private static function nameOf(\DOMElement $element): string
    {
        foreach ($element->childNodes as $child) {
            if ($child instanceof \DOMElement && $child->localName === 'title') {
                return mb_substr(trim($child->textContent), 0, 60);
            }
        }

        return mb_substr(trim($element->getAttribute('id')), 0, 60);
    }

    /** An opacity, from 0 to 1. */
    public static function share(string $text): float
    {
        return max(0.0, min(1.0, str_ends_with($text, '%') ? (float) $text / 100 : (float) $text));
    }
}
