<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/**
 * The seventeen plane groups and the seven frieze groups, by their general positions in lattice coordinates: x along `a`, y along `b`.
 *
 * International Tables for Crystallography, vol. A, chapter 2.2 (plane groups), recalled; names as short Hermann–Mauguin symbols, cm and
 * cmm in their conventional cells. What each position does is a matrix of whole numbers and a way in parts of the cell.
 */
final class PlaneGroup
{
    /** @var array<string, list<string>> general positions */
    private const POSITIONS = [
        'p1' => ['x,y'],
        'p2' => ['x,y', '-x,-y'],
        'pm' => ['x,y', '-x,y'],
        'pg' => ['x,y', '-x,y+1/2'],
        'cm' => ['x,y', '-x,y'],
        'pmm' => ['x,y', '-x,-y', '-x,y', 'x,-y'],
        'pmg' => ['x,y', '-x,-y', '-x+1/2,y', 'x+1/2,-y'],
        'pgg' => ['x,y', '-x,-y', '-x+1/2,y+1/2', 'x+1/2,-y+1/2'],
        'cmm' => ['x,y', '-x,-y', '-x,y', 'x,-y'],
        'p4' => ['x,y', '-x,-y', '-y,x', 'y,-x'],
        'p4m' => ['x,y', '-x,-y', '-y,x', 'y,-x', '-x,y', 'x,-y', 'y,x', '-y,-x'],
        'p4g' => ['x,y', '-x,-y', '-y,x', 'y,-x', '-x+1/2,y+1/2', 'x+1/2,-y+1/2', 'y+1/2,x+1/2', '-y+1/2,-x+1/2'],
        'p3' => ['x,y', '-y,x-y', '-x+y,-x'],
        'p3m1' => ['x,y', '-y,x-y', '-x+y,-x', '-y,-x', '-x+y,y', 'x,x-y'],
        'p31m' => ['x,y', '-y,x-y', '-x+y,-x', 'y,x', 'x-y,-y', '-x,-x+y'],
        'p6' => ['x,y', '-y,x-y', '-x+y,-x', '-x,-y', 'y,-x+y', 'x-y,x'],
        'p6m' => ['x,y', '-y,x-y', '-x+y,-x', '-x,-y', 'y,-x+y', 'x-y,x', '-y,-x', '-x+y,y', 'x,x-y', 'y,x', 'x-y,-y', '-x,-x+y'],
    ];

    /** @var array<string, list<string>> of friezes; x along the way that repeats */
    private const FRIEZES = [
        'p1' => ['x,y'],
        'p11g' => ['x,y', 'x+1/2,-y'],
        'p1m1' => ['x,y', '-x,y'],
        'p2' => ['x,y', '-x,-y'],
        'p2mg' => ['x,y', '-x,-y', '-x+1/2,y', 'x+1/2,-y'],
        'p11m' => ['x,y', 'x,-y'],
        'p2mm' => ['x,y', '-x,-y', '-x,y', 'x,-y'],
    ];

    /**
     * A fundamental cell of each: the asymmetric units of the International Tables, recalled, where these are what the positions above
     * take.
     *
     * @var array<string, non-empty-list<array{int|float, int|float}>> corners in lattice coordinates
     */
    private const DOMAINS = [
        'p1' => [[0, 0], [1, 0], [1, 1], [0, 1]],
        'p2' => [[0, 0], [1 / 2, 0], [1 / 2, 1], [0, 1]],
        'pm' => [[0, 0], [1 / 2, 0], [1 / 2, 1], [0, 1]],
        'pg' => [[0, 0], [1 / 2, 0], [1 / 2, 1], [0, 1]],
        'cm' => [[0, 0], [1 / 2, 0], [1 / 2, 1 / 2], [0, 1 / 2]],
        'pmm' => [[0, 0], [1 / 2, 0], [1 / 2, 1 / 2], [0, 1 / 2]],
        'pmg' => [[0, 0], [1 / 4, 0], [1 / 4, 1], [0, 1]],
        'pgg' => [[0, 0], [1 / 2, 0], [1 / 2, 1 / 2], [0, 1 / 2]],
        'cmm' => [[0, 0], [1 / 4, 0], [1 / 4, 1 / 2], [0, 1 / 2]],
        'p4' => [[0, 0], [1 / 2, 0], [1 / 2, 1 / 2], [0, 1 / 2]],
        'p4m' => [[0, 0], [1 / 2, 0], [1 / 2, 1 / 2]],
        'p4g' => [[0, 0], [1 / 2, 0], [0, 1 / 2]],
        'p3' => [[0, 0], [1 / 2, 0], [2 / 3, 1 / 3], [1 / 3, 2 / 3], [0, 1 / 2]],
        'p3m1' => [[0, 0], [2 / 3, 1 / 3], [1 / 3, 2 / 3]],
        'p31m' => [[0, 0], [1 / 2, 0], [2 / 3, 1 / 3], [1 / 2, 1 / 2]],
        'p6' => [[0, 0], [1 / 2, 0], [2 / 3, 1 / 3], [1 / 2, 1 / 2]],
        'p6m' => [[0, 0], [1 / 2, 0], [2 / 3, 1 / 3]],
    ];

    /** How far to both sides of its line a frieze is drawn in, in lengths of its way. */
    private const FAR = 8.0;

    /**
     * @var array<string, array{int|float, bool}> how much of the way the fundamental cell of a frieze takes, and whether it lies on one
     *   side only
     */
    private const FRIEZE_DOMAINS = [
        'p1' => [1, false],
        'p11g' => [1 / 2, false],
        'p1m1' => [1 / 2, false],
        'p2' => [1 / 2, false],
        'p2mg' => [1 / 4, false],
        'p11m' => [1, true],
        'p2mm' => [1 / 2, true],
    ];

    private const CENTRED = ['cm', 'cmm'];

    private const OBLIQUE = ['p1', 'p2'];

    private const SQUARE = ['p4', 'p4m', 'p4g'];

    private const HEXAGONAL = ['p3', 'p3m1', 'p31m', 'p6', 'p6m'];

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::POSITIONS);
    }

    /** @return list<string> */
    public static function friezes(): array
    {
        return array_keys(self::FRIEZES);
    }

    /**
     * What the lattice of a group has to be.
     *
     * @return 'oblique'|'rectangular'|'square'|'hexagonal'
     */
    public static function lattice(string $group): string
    {
        return match (true) {
            in_array($group, self::OBLIQUE, true) => 'oblique',
            in_array($group, self::SQUARE, true) => 'square',
            in_array($group, self::HEXAGONAL, true) => 'hexagonal',
            default => 'rectangular',
        };
    }

    public static function isCentred(string $group): bool
    {
        return in_array($group, self::CENTRED, true);
    }

    /**
     * The general positions of a conventional cell, those of centred ones twice, as maps of lattice coordinates.
     *
     * @return non-empty-list<Affine>
     */
    public static function positions(string $group): array
    {
        $maps = self::maps(self::POSITIONS[$group] ?? ['x,y']);

        return self::isCentred($group)
            ? [...$maps, ...array_map(static fn (Affine $map): Affine => $map->then(Affine::move(new Vec(0.5, 0.5))), $maps)]
            : $maps;
    }

    /** @return non-empty-list<array{float, float}> corners of a fundamental cell, in lattice coordinates, first along `a` */
    public static function domain(string $group): array
    {
        return array_map(
            static fn (array $corner): array => [(float) $corner[0], (float) $corner[1]],
            self::DOMAINS[$group] ?? self::DOMAINS['p1'],
        );
    }

    /** @return non-empty-list<array{float, float}> */
    public static function friezeDomain(string $group): array
    {
        [$wide, $oneSided] = self::FRIEZE_DOMAINS[$group] ?? self::FRIEZE_DOMAINS['p1'];
        $top = $oneSided ? 0.0 : -self::FAR;

        return [[0.0, $top], [(float) $wide, $top], [(float) $wide, self::FAR], [0.0, self::FAR]];
    }

    /** @return non-empty-list<Affine> as maps of coordinates of which x runs along the frieze */
    public static function alongFrieze(string $group): array
    {
        return self::maps(self::FRIEZES[$group] ?? ['x,y']);
    }

    /**
     * @param  non-empty-list<string>  $positions
     * @return non-empty-list<Affine>
     */
    private static function maps(array $positions): array
    {
        return array_map(static function (string $position): Affine {
            [$x, $y] = array_map(self::row(...), explode(',', $position));

            return Affine::ofMatrix($x[0], $y[0], $x[1], $y[1], $x[2], $y[2]);
        }, $positions);
    }

    /** @return array{float, float, float} how often x, how often y, and so much more */
    private static function row(string $text): array
    {
        preg_match_all('~([+-]?)(x|y|1/2)~', $text, $terms, PREG_SET_ORDER);
        $row = ['x' => 0.0, 'y' => 0.0, '1/2' => 0.0];
        foreach ($terms as [, $sign, $what]) {
            $row[$what] = ($sign === '-' ? -1.0 : 1.0) * ($what === '1/2' ? 0.5 : 1.0);
        }

        return [$row['x'], $row['y'], $row['1/2']];
    }
}
