<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Step;

/** Where two curves of what is drawn meet. */
final readonly class Joint
{
    /** Degrees; curves that turn by less run into one another. */
    public const STRAIGHT = 0.01;

    /** Curves that turn by less were meant to. */
    public const ALMOST = 5.0;

    /**
     * @param  int  $number  of the outline in its figure
     * @param  int  $k  of the curve behind it
     * @param  float  $degrees  by which they turn
     */
    private function __construct(
        public Seen $figure,
        public Outline $outline,
        public int $number,
        public int $k,
        public Curve $before,
        public Curve $after,
        public float $degrees,
    ) {
    }

    /**
     * @param  list<Seen>  $seen
     * @return list<self>
     */
    public static function in(array $seen): array
    {
        $corners = [];
        foreach ($seen as $figure) {
            foreach ($figure->outlines as $number => $outline) {
                $count = count($outline->curves);
                Budget::spend(2 * $count);
                for ($k = 0; $count > 1 && $k < $count; $k++) {
                    [$before, $after] = [$outline->curves[($k + $count - 1) % $count], $outline->curves[$k]];
                    $in = $before->tangentAt(1.0)->unit();
                    $out = $after->tangentAt(0.0)->unit();
                    $corners[] = new self(
                        $figure,
                        $outline,
                        $number,
                        $k,
                        $before,
                        $after,
                        abs(rad2deg(atan2($in->cross($out), $in->dot($out)))),
                    );
                }
            }
        }

        return $corners;
    }

    /**
     * @param  list<self>  $corners
     * @return array<string, self> of each step the one that turns most
     */
    public static function worst(array $corners): array
    {
        $worst = [];
        foreach ($corners as $corner) {
            $id = $corner->figure->id;
            if (! isset($worst[$id]) || $corner->degrees > $worst[$id]->degrees) {
                $worst[$id] = $corner;
            }
        }

        return $worst;
    }

    public function place(): Vec
    {
        return $this->after->start();
    }

    public function isOfLines(): bool
    {
        return $this->before instanceof Line && $this->after instanceof Line;
    }

    /** @return Step|null the step that says it as one of its points, the one of the number of the curve behind it */
    public function writtenIn(Looked $at): ?Step
    {
        $figure = $this->figure;
        $origin = $at->known[$figure->figure->steps[0]] ?? null;
        if ($this->number !== 0 || $origin === null || count($figure->outlines) !== 1 || ! $figure->figure->map->isIdentity()) {
            return null;
        }
        $step = $at->plan->steps[$origin->id];
        $points = $step->raw('points');
        $count = count($this->outline->curves);

        return is_array($points) && count($points) === $count && count($origin->places['points'] ?? []) === $count ? $step : null;
    }
}
