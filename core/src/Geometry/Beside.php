<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * A piece of a curve, and what runs beside it at a distance: positive to the right of its way, negative to the left.
 *
 * Beside a line runs a line, beside an arc an arc of the same centre, exactly; beside a cubic cubics that keep the distance to a share of
 * it. Where a curve bends so tightly that what runs beside it would turn back, the way goes through the centre of its bend instead: with
 * the piece itself it then encloses nothing that is not within the distance of it.
 */
final readonly class Beside
{
    /** How far from the distance a cubic may come that runs beside another, as a share of the distance. */
    private const SHARE = 2e-5;

    /** Tightly bent cubics are taken for arcs that leave them by at most this share of the distance. */
    private const ROUND = 2e-5;

    /** Halvings of a cubic. */
    private const DEEPEST = 12;

    /**
     * @param  Vec  $from  where the piece begins, and `setsOff` its heading there, of length 1
     * @param  non-empty-list<Curve>  $curves  beside it
     */
    private function __construct(public Vec $from, public Vec $to, public Vec $setsOff, public Vec $arrives, public array $curves)
    {
    }

    /** @return list<self> one after another along the curve */
    public static function curve(Curve $curve, float $distance): array
    {
        Budget::spend($curve instanceof Cubic ? 40 : 6);

        return match (true) {
            $curve instanceof Arc => [self::arc($curve, $distance)],
            // At no distance runs the curve itself.
            $curve instanceof Cubic && $distance === 0.0 => [
                new self($curve->start(), $curve->end(), $curve->tangentAt(0.0), $curve->tangentAt(1.0), [$curve]),
            ],
            $curve instanceof Cubic => self::cubic($curve, $distance, 0),
            default => self::line($curve, $distance),
        };
    }

    /** The place beside where it begins. */
    public static function place(Vec $at, Vec $heading, float $distance): Vec
    {
        return $at->plus($heading->quarterTurned()->times($distance));
    }

    /** @return list<self> */
    private static function line(Curve $line, float $distance): array
    {
        if ($line->length() === 0.0) {
            return [];
        }
        $heading = $line->tangentAt(0.0);

        return [new self($line->start(), $line->end(), $heading, $heading, [new Line(
            self::place($line->start(), $heading, $distance), self::place($line->end(), $heading, $distance),
        )])];
    }

    private static function arc(Arc $arc, float $distance): self
    {
        $clockwise = $arc->sweep() > 0.0;
        $radius = $clockwise ? $arc->radius() - $distance : $arc->radius() + $distance;
        $setsOff = $arc->tangentAt(0.0);
        $arrives = $arc->isFullCircle() ? $setsOff : $arc->tangentAt(1.0);
        $from = self::place($arc->start(), $setsOff, $distance);
        $to = $arc->isFullCircle() ? $from : self::place($arc->end(), $arrives, $distance);
        $curves = $radius > 1e-9 * $arc->radius()
            ? [Arc::around($arc->center(), $radius, $from, $to, $clockwise)]
            : [new Line($from, $arc->center()), new Line($arc->center(), $to)];

        return new self($arc->start(), $arc->end(), $setsOff, $arrives, $curves);
    }

    /** @return list<self> */
    private static function cubic(Cubic $cubic, float $distance, int $depth): array
    {
        [$least, $most] = self::stretch($cubic, $distance);
        if ($least > 0.05) {
            $setsOff = $cubic->tangentAt(0.0);
            $arrives = $cubic->tangentAt(1.0);
            $beside = self::besideCubic($cubic, $distance, $setsOff, $arrives);
            if ($depth === self::DEEPEST || self::keepsDistance($cubic, $beside, $distance)) {
                return [new self($cubic->start(), $cubic->end(), $setsOff, $arrives, [$beside])];
            }
        } elseif ($most < 0.05 || $depth === self::DEEPEST) {
            return self::tight($cubic, $distance, $depth);
        }
        [$first, $second] = $cubic->split(0.5);

        return [...self::cubic($first, $distance, $depth + 1), ...self::cubic($second, $distance, $depth + 1)];
    }

    private static function besideCubic(Cubic $cubic, float $distance, Vec $setsOff, Vec $arrives): Cubic
    {
        $from = self::place($cubic->start(), $setsOff, $distance);
        $to = self::place($cubic->end(), $arrives, $distance);

        return new Cubic(
            $from,
            $from->plus($setsOff->times($cubic->velocity(0.0)->length() / 3 * self::stretchAt($cubic, 0.0, $distance))),
            $to->minus($arrives->times($cubic->velocity(1.0)->length() / 3 * self::stretchAt($cubic, 1.0, $distance))),
            $to,
        );
    }

    /** @return array{float, float} how much shorter or longer the way beside is, at least and at most */
    private static function stretch(Cubic $cubic, float $distance): array
    {
        $stretches = array_map(static fn (int $k): float => self::stretchAt($cubic, $k / 8, $distance), range(0, 8));

        return [min($stretches), max($stretches)];
    }

    private static function stretchAt(Cubic $cubic, float $t, float $distance): float
    {
        $velocity = $cubic->velocity($t);
        $s = 1 - $t;
        $turn = $cubic->arriving->minus($cubic->leaving->times(2))->plus($cubic->start())->times(6 * $s)
            ->plus($cubic->end()->minus($cubic->arriving->times(2))->plus($cubic->leaving)->times(6 * $t));
        $speed = $velocity->length();

        return $speed < 1e-300 ? -1.0 : 1 - $distance * $velocity->cross($turn) / $speed ** 3;
    }

    private static function keepsDistance(Cubic $cubic, Cubic $beside, float $distance): bool
    {
        foreach ([0.2, 0.4, 0.6, 0.8] as $t) {
            $place = $beside->pointAt($t);
            if (abs($place->distanceTo($cubic->pointAt($cubic->nearest($place))) - abs($distance)) > self::SHARE * abs($distance)) {
                return false;
            }
        }

        return true;
    }

    /**
     * A piece that bends too tightly for the most part, as arcs that leave it by at most a share of the distance.
     *
     * @return list<self>
     */
    private static function tight(Cubic $cubic, float $distance, int $depth): array
    {
        $arcs = Biarc::between($cubic->start(), $cubic->tangentAt(0.0), $cubic->end(), $cubic->tangentAt(1.0));
        if ($arcs !== null && self::follows($arcs, $cubic, self::ROUND * abs($distance))) {
            $sides = [];
            foreach ($arcs as $one) {
                array_push($sides, ...$one instanceof Arc ? [self::arc($one, $distance)] : self::line($one, $distance));
            }

            return $sides;
        }
        if ($depth >= self::DEEPEST + 4) {
            return self::line(new Line($cubic->start(), $cubic->end()), $distance);
        }
        [$first, $second] = $cubic->split(0.5);

        return [...self::tight($first, $distance, $depth + 1), ...self::tight($second, $distance, $depth + 1)];
    }

    /** @param  array{Curve, Curve}  $arcs */
    private static function follows(array $arcs, Cubic $cubic, float $within): bool
    {
        for ($k = 1; $k < 8; $k++) {
            $place = $cubic->pointAt($k / 8);
            $away = min(array_map(static fn (Curve $arc): float => $arc->pointAt($arc->nearest($place))->distanceTo($place), $arcs));
            if ($away > $within) {
                return false;
            }
        }

        return true;
    }
}
