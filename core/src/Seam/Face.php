<?php

declare(strict_types=1);

namespace Sternbild\Core\Seam;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Shape;

/** A figure that covers what lies under it, in plain numbers: its edges, its corners, and how thick it is. */
final class Face
{
    /** Curves of one figure beyond which it is not looked at how near its edges come to one another. */
    private const MOST_COMPARED = 240;

    /** Degrees of a corner that is none, with room for rounding. */
    private const STRAIGHT = 180.001;

    /** Of its thickness, so that what is hidden under it stays away from its other side. */
    private const SAFE = 0.9;

    /**
     * @var list<array{float, float, float, float, float, float, int, int}> ends, middle, and the numbers of outline and curve; its inside
     *   is to the right of every edge on the screen
     */
    public array $edges = [];

    /** @var array<int, array{float, float}> headings at which edges begin and end, degrees clockwise on the screen */
    private array $headings = [];

    /** @var list<list<int>> numbers of edges, by outline in order */
    private array $rings = [];

    /** @var array<int, array{float, float}> */
    private array $corners = [];

    /** @var array<int, int> the edge before each, around its outline */
    private array $before = [];

    public readonly float $thickness;

    private bool $isConvex = true;

    private bool $isStraight = true;

    private readonly bool $isInPlace;

    private readonly Shape $shape;

    private readonly Affine $map;

    public function __construct(public readonly Figure $figure, public readonly Style $style)
    {
        // A map under which circles bend makes several curves of an arc: there the outlines are spelt out.
        $isKept = $figure->map->isSimilarity();
        $map = $this->map = $isKept ? $figure->map : Affine::identity();
        $shape = $this->shape = $isKept ? $figure->shape : new Shape($figure->outlines());
        $this->isInPlace = $map->isIdentity();
        $area = $figure->area();
        $perimeter = $shape->perimeter() * sqrt(abs($map->determinant()));
        $this->thickness = $perimeter <= 0.0 ? 0.0 : self::SAFE * 2.0 * abs($area) / $perimeter;
        $turned = ($shape->area() < 0.0) !== $map->isMirrored();
        foreach ($shape->outlines as $number => $outline) {
            $ring = [];
            foreach ($outline->curves as $at => $curve) {
                $ring[] = count($this->edges);
                $this->add($curve, $map, $turned, $number, $at);
            }
            $this->rings[] = $turned ? array_reverse($ring) : $ring;
        }
        foreach ($this->rings as $ring) {
            foreach ($ring as $place => $edge) {
                $this->before[$edge] = $ring[($place + count($ring) - 1) % count($ring)];
            }
        }
        $this->isConvex = count($this->rings) === 1;
        foreach ($this->before as $edge => $before) {
            $out = $this->headings[$edge][0];
            $angle = fmod($this->headings[$before][1] + 900.0 - $out, 360.0);
            $this->corners[$edge] = [$out, $angle];
            $this->isConvex = $this->isConvex && $angle <= self::STRAIGHT;
        }
    }

    public function isHole(int $edge): bool
    {
        return $this->shape->outlines[$this->edges[$edge][6]]->isHole();
    }

    /** The curve of an edge where it lies, with the inside to its right on the screen. */
    public function curve(int $edge): Curve
    {
        [$x, $y, , , , , $outline, $at] = $this->edges[$edge];
        $curve = $this->shape->outlines[$outline]->curves[$at];
        $curve = $this->isInPlace ? $curve : $curve->mapped($this->map)[0];
        [$start, $end] = [$curve->start(), $curve->end()];

        return abs($start->x - $x) + abs($start->y - $y) <= abs($end->x - $x) + abs($end->y - $y) ? $curve : $curve->reversed();
    }

    /**
     * The corner where an edge begins: the heading at which the inside begins there, clockwise on the screen, and how far it goes, both in
     * degrees.
     *
     * @return array{float, float}
     */
    public function corner(int $edge): array
    {
        return $this->corners[$edge];
    }

    /** How far what is hidden under this may reach in from an edge. */
    public function reach(int $edge, float $wanted): float
    {
        $reach = min($wanted, $this->thickness);
        [$x0, $y0, $x1, $y1] = $this->edges[$edge];
        $length = hypot($x1 - $x0, $y1 - $y0);
        if ($this->isConvex && $this->isStraight || $length === 0.0 || count($this->edges) > self::MOST_COMPARED) {
            return $reach;
        }
        [$ux, $uy] = [($x1 - $x0) / $length, ($y1 - $y0) / $length];
        foreach ($this->edges as $other => [$ax, $ay, $bx, $by, $mx, $my]) {
            if ($other === $edge) {
                continue;
            }
            foreach ([[$ax, $ay], [$mx, $my], [$bx, $by]] as [$x, $y]) {
                $along = ($x - $x0) * $ux + ($y - $y0) * $uy;
                $in = ($y - $y0) * $ux - ($x - $x0) * $uy;
                // Its own ends have corners, which are looked at by themselves.
                if (
                    $in > 1e-6 * $length &&
                    $along > -$reach &&
                    $along < $length + $reach &&
                    $in < $reach / self::SAFE &&
                    hypot($x - $x0, $y - $y0) > 1e-6 * $length &&
                    hypot($x - $x1, $y - $y1) > 1e-6 * $length
                ) {
                    $reach = min($reach, self::SAFE * $in);
                }
            }
        }

        return $reach;
    }

    private function add(Curve $curve, Affine $map, bool $turned, int $outline, int $at): void
    {
        $this->isStraight = $this->isStraight && $curve instanceof Line;
        [$start, $end] = [$curve->start(), $curve->end()];
        if (! $this->isInPlace) {
            [$start, $end] = [$map->apply($start), $map->apply($end)];
        }
        if ($curve instanceof Line) {
            [$mx, $my] = [($start->x + $end->x) / 2, ($start->y + $end->y) / 2];
            $from = $to = rad2deg(atan2($end->y - $start->y, $end->x - $start->x));
        } else {
            $middle = $map->apply($curve->pointAt(0.5));
            [$mx, $my] = [$middle->x, $middle->y];
            [$from, $to] = [self::turned($map, $curve->tangentAt(0.0)), self::turned($map, $curve->tangentAt(1.0))];
        }
        if ($turned) {
            [$start, $end, $from, $to] = [$end, $start, $to + 180.0, $from + 180.0];
        }
        $this->headings[count($this->edges)] = [$from, $to];
        $this->edges[] = [$start->x, $start->y, $end->x, $end->y, $mx, $my, $outline, $at];
    }

    private static function turned(Affine $map, Vec $direction): float
    {
        return rad2deg(atan2($map->b * $direction->x + $map->d * $direction->y, $map->a * $direction->x + $map->c * $direction->y));
    }
}
