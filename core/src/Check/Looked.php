<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;

/** What checks look at: a plan, and what it came to. */
final class Looked
{
    public readonly Tolerance $tolerance;

    /** @var array<string, Guide> that are of one curve */
    public readonly array $guides;

    /** @var array<string, Grid> */
    public readonly array $grids;

    /** @var list<PaintedGrid>|null */
    private ?array $painted = null;

    /** @var list<Joint>|null */
    private ?array $corners = null;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  array<string, string>  $labels
     * @param  list<Seen>  $seen  what is drawn, from back to front
     * @param  array<string, list<string>>  $colours  #rrggbb that are drawn, by the step
     */
    public function __construct(
        public readonly Plan $plan,
        public readonly array $known,
        public readonly array $labels,
        public readonly array $seen = [],
        public readonly array $colours = [],
    ) {
        $this->tolerance = $plan->tolerance();
        $guides = $grids = [];
        foreach ($known as $id => $step) {
            if ($step->result instanceof Guide && $step->result->curve !== null) {
                $guides[$id] = $step->result;
            } elseif ($step->result instanceof Grid) {
                $grids[$id] = $step->result;
            }
        }
        $this->guides = $guides;
        $this->grids = $grids;
    }

    /**
     * All that what is found among guides hangs on.
     *
     * @param  array<string, float>  $limits
     */
    public function guidesPrint(array $limits): string
    {
        $needed = [];
        foreach ($this->plan->steps as $step) {
            foreach ($step->references() as $reference) {
                $needed[$reference] = true;
            }
        }
        $steps = [];
        foreach ($this->guides + $this->grids as $id => $result) {
            $steps[] = [$id, $this->known[$id]->hash, $this->labels[$id], $this->plan->steps[$id]->parameters, isset($needed[$id])];
        }

        return json_encode(
            [$steps, array_keys($this->plan->steps), $limits, $this->plan->unit, $this->tolerance->decimals],
            JSON_THROW_ON_ERROR,
        );
    }

    /** A limit that the sheet says, or has unsaid. */
    public function limit(string $name): float
    {
        return $this->plan->limit($name);
    }

    /** @return list<Seen> but cells of grids in columns and rows, which are shown at sizes of their own */
    public function shapes(): array
    {
        return array_values(array_filter($this->seen, static fn (Seen $one): bool => ! $one->isCells));
    }

    /** @return list<PaintedGrid> what is painted, by grid */
    public function painted(): array
    {
        return $this->painted ??= PaintedGrid::all($this);
    }

    /** @return list<Joint> of what is drawn */
    public function corners(): array
    {
        return $this->corners ??= Joint::in($this->seen);
    }

    /** @return array<string, string> the step that has each colour first, from back to front, by #rrggbb in small letters */
    public function firstOfColours(): array
    {
        $first = [];
        foreach ($this->colours as $id => $colours) {
            foreach ($colours as $colour) {
                $first[strtolower($colour)] ??= (string) $id;
            }
        }

        return $first;
    }
}
