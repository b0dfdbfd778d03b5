<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Vec;

/** Gradients of a drawing as plans write them: Scalable Vector Graphics 2, W3C, sections 14.2 to 14.4. */
final class Gradients
{
    /** Stops between two colours, so that what is mixed in Oklab comes out as it did in sRGB. */
    private const BETWEEN = 3;

    private const MOST_STOPS = 24;

    private const CHAIN = 10;

    /** Opacities that are one. */
    private const ALIKE = 1e-3;

    private const PLACES = ['x1' => '0%', 'y1' => '0%', 'x2' => '100%', 'y2' => '0%', 'cx' => '50%', 'cy' => '50%', 'r' => '50%'];

    public function __construct(private readonly DrawnFile $drawing)
    {
    }

    /**
     * @param  Bounds  $box  of the shape, in its own coordinates
     * @return array<string, mixed>|string the gradient, or the one colour that it comes to
     */
    public function of(\DOMElement $gradient, DrawnShape $shape, Bounds $box): array|string
    {
        $chain = $this->chain($gradient);
        $said = static function (string $name, string $default) use ($chain): string {
            foreach ($chain as $one) {
                if ($one->hasAttribute($name)) {
                    return trim($one->getAttribute($name));
                }
            }

            return $default;
        };
        $stops = $this->stops($chain, $shape);
        $isEven = $this->opacity($gradient, $shape) !== null;
        $stops = self::dense(
            array_map(
                static fn (array $stop): array => $isEven || $stop[2] === 1.0
                    ? [$stop[0], $stop[1]]
                    : [$stop[0], $stop[1], round($stop[2], 4)],
                $stops,
            ),
        );
        if (count($stops) < 2 || ($isEven && count(array_unique(array_column($stops, 1))) < 2)) {
            return $stops[0][1] ?? 'none';
        }
        if ($said('spreadMethod', 'pad') !== 'pad') {
            $this->drawing->leave("$shape->place: its gradient is repeated, which gradients are not here");
        }
        $isBoxed = $said('gradientUnits', 'objectBoundingBox') !== 'userSpaceOnUse';
        $map = TransformText::read($said('gradientTransform', '')) ?? Affine::identity();
        $map = ($isBoxed
            ? $map->then(Affine::ofMatrix($box->right - $box->left, 0.0, 0.0, $box->bottom - $box->top, $box->left, $box->top))
            : $map
        )->then($shape->map);
        $at = fn (string $name, string $default = ''): float => Lengths::read(
            $said($name, $default === '' ? self::PLACES[$name] : $default),
            $isBoxed ? 1.0 : $this->whole($name),
            0.0,
        );
        if ($gradient->localName === 'linearGradient') {
            return $this->linear($map, new Vec($at('x1'), $at('y1')), new Vec($at('x2'), $at('y2')), $stops);
        }
        if (! $map->isSimilarity()) {
            $this->drawing->leave("$shape->place: its radial gradient is drawn out of round, and is round here");
        }
        $center = new Vec($at('cx'), $at('cy'));
        $focus = new Vec($at('fx', $said('cx', '50%')), $at('fy', $said('cy', '50%')));
        $radius = $at('r') * sqrt(abs($map->determinant()));

        return $radius <= 0.0 ? $stops[count($stops) - 1][1] : [
            'gradient' => 'radial', 'center' => self::place($map->apply($center)), 'radius' => round($radius, 6),
            ...($focus->distanceTo($center) > 1e-9 ? ['focus' => self::place($map->apply($focus))] : []), 'stops' => $stops,
        ];
    }

    /**
     * @param  list<array{0: float, 1: string, 2?: float}>  $stops
     * @return array<string, mixed>|string
     */
    private function linear(Affine $map, Vec $from, Vec $to, array $stops): array|string
    {
        $way = $to->minus($from);
        $origin = $map->apply($from);
        // What has one colour stays a straight line; the way across it is what counts.
        $along = $map->apply($from->plus($way->quarterTurned()))->minus($origin);
        if ($along->length() === 0.0) {
            return $stops[count($stops) - 1][1];
        }
        $across = $along->quarterTurned()->unit();
        $end = $origin->plus($across->times($map->apply($to)->minus($origin)->dot($across)));

        return ['gradient' => 'linear', 'from' => self::place($origin), 'to' => self::place($end), 'stops' => $stops];
    }

    /** How far a gradient hides what lies under it, where all its stops do alike; null where they do not, and each says it for itself. */
    public function opacity(\DOMElement $gradient, DrawnShape $shape): ?float
    {
        $opacities = array_column($this->stops($this->chain($gradient), $shape), 2);

        return match (true) {
            $opacities === [] => 1.0,
            max($opacities) - min($opacities) < self::ALIKE => $opacities[0],
            default => null,
        };
    }

    /**
     * @param  list<\DOMElement>  $chain
     * @return list<array{float, string, float}> where, colour, and how far it hides
     */
    private function stops(array $chain, DrawnShape $shape): array
    {
        $stops = [];
        foreach ($chain as $one) {
            $last = 0.0;
            foreach ($one->childNodes as $child) {
                if (! $child instanceof \DOMElement || $child->localName !== 'stop') {
                    continue;
                }
                $attributes = array_filter(
                    ['stop-color' => $child->getAttribute('stop-color'), 'stop-opacity' => $child->getAttribute('stop-opacity')],
                    static fn (string $one): bool => $one !== '',
                );
                $said = [...$attributes, ...$this->drawing->document->sheet->of($child)];
                $colour = ColourText::read(
                    ($said['stop-color'] ?? 'black') === 'currentColor' ? $shape->look['color'] ?? 'black' : $said['stop-color'] ?? 'black',
                ) ?? ['#000000', 1.0];
                $last = max($last, min(1.0, Lengths::read($child->getAttribute('offset') ?: '0', 1.0, 0.0)));
                $stops[] = [round($last, 6), $colour[0], $colour[1] * DrawnFile::share($said['stop-opacity'] ?? '1')];
            }
            if ($stops !== []) {
                break;
            }
        }

        return $stops;
    }

    /**
     * @param  list<array{0: float, 1: string, 2?: float}>  $stops
     * @return list<array{0: float, 1: string, 2?: float}>
     */
    private static function dense(array $stops): array
    {
        $between = count($stops) < 2 ? 0 : min(self::BETWEEN, intdiv(self::MOST_STOPS - count($stops), count($stops) - 1));
        $dense = [];
        foreach ($stops as $k => $stop) {
            $before = $stops[$k - 1] ?? null;
            for ($n = 1; $before !== null && $n <= $between && $before[1] !== $stop[1] && $before[0] < $stop[0]; $n++) {
                $share = $n / ($between + 1);
                $channel = static fn (int $at): int => (int) round(
                    (1 - $share) * hexdec(substr($before[1], $at, 2)) + $share * hexdec(substr($stop[1], $at, 2)),
                );
                $opacity = (1 - $share) * ($before[2] ?? 1.0) + $share * ($stop[2] ?? 1.0);
                $dense[] = [
                    round($before[0] + $share * ($stop[0] - $before[0]), 6),
                    sprintf('#%02x%02x%02x', $channel(1), $channel(3), $channel(5)),
                    ...$opacity < 1.0 ? [round($opacity, 4)] : [],
                ];
            }
            $dense[] = $stop;
        }

        return array_slice($dense, 0, self::MOST_STOPS);
    }

    /** @return non-empty-list<\DOMElement> the gradient, and those that it takes from what it does not say itself */
    private function chain(\DOMElement $gradient): array
    {
        $chain = [$gradient];
        while (count($chain) < self::CHAIN) {
            $last = $chain[count($chain) - 1];
            $next = $this->drawing->document->find(
                $last->getAttribute('href') ?: $last->getAttributeNS('http://www.w3.org/1999/xlink', 'href'),
            );
            if ($next === null || in_array($next, $chain, true)) {
                break;
            }
            $chain[] = $next;
        }

        return $chain;
    }

    private function whole(string $name): float
    {
        $size = $this->drawing->viewport;

        return match (true) {
            $name === 'r' => hypot($size->x, $size->y) / M_SQRT2,
            str_contains($name, 'x') => $size->x,
            default => $size->y,
        };
    }

    /** @return array{float, float} */
    private static function place(Vec $at): array
    {
        return [round($at->x, 6), round($at->y, 6)];
    }
}
