<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Symmetry\PlaneGroup;

/** The same crooked motif in every group, as its own positions bring it: SVG path data in a square of 96. */
final class GroupPictures
{
    private const SIDE = 96.0;

    /** A hook that has no symmetry of its own, in shares of a cell around its middle. */
    private const HOOK = [[-0.24, -0.22], [-0.07, -0.22], [-0.07, 0.06], [0.24, 0.06], [0.1, 0.22], [-0.24, 0.22]];

    /** What groups do, and where the middle of the motif lies in the cell. */
    private const SHOWN = [
        'p1' => ['moved only', 0.5, 0.5],
        'p2' => ['turns', 0.26, 0.3],
        'p4' => ['turns', 0.26, 0.24],
        'p3' => ['turns', 0.42, 0.18],
        'p6' => ['turns', 0.36, 0.14],
        'pm' => ['mirrors', 0.25, 0.5],
        'pmm' => ['mirrors', 0.25, 0.25],
        'cm' => ['mirrors', 0.25, 0.25],
        'cmm' => ['mirrors', 0.22, 0.2],
        'p4m' => ['mirrors', 0.34, 0.15],
        'p3m1' => ['mirrors', 0.4, 0.2],
        'p31m' => ['mirrors', 0.4, 0.14],
        'p6m' => ['mirrors', 0.3, 0.09],
        'pg' => ['glides', 0.25, 0.25],
        'pmg' => ['glides', 0.13, 0.25],
        'pgg' => ['glides', 0.22, 0.2],
        'p4g' => ['glides', 0.3, 0.12],
    ];

    private const OF_FRIEZES = [
        'p1' => ['moved only', 0.5, 0.0],
        'p2' => ['turns', 0.25, 0.22],
        'p1m1' => ['mirrors', 0.25, 0.0],
        'p11m' => ['mirrors', 0.5, 0.24],
        'p2mm' => ['mirrors', 0.25, 0.24],
        'p11g' => ['glides', 0.25, 0.24],
        'p2mg' => ['glides', 0.13, 0.24],
    ];

    /**
     * The trade's ways of setting a pattern that is only moved: the next column half a cell lower, the next row half a cell to the right,
     * or so that six are around each.
     */
    private const SET = [
        ['straight', [1.0, 0.0], [0.0, 1.0], ['a' => ['{w}', 0], 'b' => [0, '{h}'], 'on' => null]],
        ['half-drop', [1.0, 0.5], [0.0, 1.0], ['a' => ['{w}', '{h}/2'], 'b' => [0, '{h}'], 'on' => null]],
        ['brick', [1.0, 0.0], [0.5, 1.0], ['a' => ['{w}', 0], 'b' => ['{w}/2', '{h}'], 'on' => null]],
        ['hexagonal', [1.0, 0.0], [0.5, 0.8660254], ['a' => ['{w}', 0], 'b' => ['{w}/2', '{w}*sqrt(3)/2'], 'on' => null]],
    ];

    /** @return list<Pictured> */
    public static function ofPlane(): array
    {
        $pictures = [];
        foreach (self::SHOWN as $group => [$heading, $x, $y]) {
            $positions = PlaneGroup::positions($group);
            $wide = match (true) {
                count($positions) === 1 => 36.0,
                count($positions) <= 4 => 56.0,
                default => 80.0,
            };
            $lattice = new Lattice(Vec::zero(), new Vec($wide, 0.0), match (PlaneGroup::lattice($group)) {
                'hexagonal' => Affine::turn(120.0, Vec::zero())->apply(new Vec($wide, 0.0)),
                'oblique' => new Vec($wide / 4, $wide * 0.9),
                default => new Vec(0.0, $wide),
            });
            $size = $wide * sqrt(1.5 / (0.6 + count($positions)));
            if ($group !== 'p1') {
                $pictures[] = new Pictured($group, $heading, self::drawn($positions, $lattice, new Vec($x, $y), $size, -2, 4));
            }
            foreach ($group === 'p1' ? self::SET : [] as [$text, $a, $b, $also]) {
                $set = new Lattice(Vec::zero(), new Vec($wide * $a[0], $wide * $a[1]), new Vec($wide * $b[0], $wide * $b[1]));
                $drawn = self::drawn($positions, $set, new Vec(0.5, $text === 'half-drop' ? 0.25 : 0.5), $size, -4, 6);
                $pictures[] = new Pictured('p1', $heading, $drawn, "p1, $text", $also);
            }
        }

        return $pictures;
    }

    /** @return list<Pictured> */
    public static function ofFriezes(): array
    {
        $pictures = [];
        foreach (self::OF_FRIEZES as $group => [$heading, $x, $y]) {
            $positions = PlaneGroup::alongFrieze($group);
            $wide = count($positions) === 1 ? 36.0 : 56.0;
            $lattice = new Lattice(new Vec(0.0, self::SIDE / 2), new Vec($wide, 0.0), new Vec(0.0, $wide));
            $size = $wide * sqrt(1.5 / (0.6 + count($positions)));
            $pictures[] = new Pictured($group, $heading, self::drawn($positions, $lattice, new Vec($x, $y), $size, 0, 0));
        }

        return $pictures;
    }

    /**
     * @param  list<Affine>  $positions
     * @param  Vec  $middle  of the motif, in lattice coordinates
     */
    private static function drawn(array $positions, Lattice $lattice, Vec $middle, float $size, int $top, int $bottom): string
    {
        $at = $lattice->origin->plus($lattice->a->times($middle->x))->plus($lattice->b->times($middle->y));
        $path = '';
        foreach ($positions as $position) {
            $map = $lattice->onSheet($position);
            for ($row = $top; $row <= $bottom; $row++) {
                for ($column = -4; $column <= 5; $column++) {
                    $way = $lattice->a->times($column)->plus($lattice->b->times($row));
                    $corners = array_map(
                        static fn (array $corner): Vec => $map
                            ->apply($at->plus(new Vec($corner[0] * $size, $corner[1] * $size)))
                            ->plus($way),
                        self::HOOK,
                    );
                    $isSeen =
                        array_filter(
                            $corners,
                            static fn (Vec $one): bool => $one->x > 0.0 && $one->x < self::SIDE && $one->y > 0.0 && $one->y < self::SIDE,
                        ) !== [];
                    $path .= $isSeen
                        ? 'M'.
                            implode('L', array_map(static fn (Vec $one): string => round($one->x, 1).' '.round($one->y, 1), $corners)).
                            'z'
                        : '';
                }
            }
        }

        return $path;
    }
}
