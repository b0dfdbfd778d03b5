<?php

declare(strict_types=1);

namespace Sternbild\Core\Guide;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Copied;
use Sternbild\Core\Result\Copies;
use Sternbild\Core\Result\Mappable;
use Sternbild\Core\Result\Role;

/** A helping line, circle, arc or run of them; of a repeat one run for every copy. */
final readonly class Guide implements Mappable
{
    use Copied;

    /** The one curve that it is; null where it is a run of several, or has copies. */
    public ?Curve $curve;

    /**
     * @param  non-empty-list<Run>  $runs
     * @param  bool  $hasEnds  whether its ends are where the designer put them, not where the sheet ends
     * @param  Copies<Guide>|null  $copies
     * @param  array<string, float>  $facts  quantities that only the one who made it knows
     */
    private function __construct(public array $runs, public bool $hasEnds, public ?Copies $copies = null, private array $facts = [])
    {
        $this->curve = count($runs) === 1 && count($runs[0]->curves) === 1 ? $runs[0]->curves[0] : null;
    }

    /** @param  Curve  $curve  as it is drawn */
    public static function along(Curve $curve, bool $hasEnds): self
    {
        return new self([new Run([$curve])], $hasEnds);
    }

    /** @param  array<string, float>  $facts */
    public function knowing(array $facts): self
    {
        return new self($this->runs, $this->hasEnds, $this->copies, $facts);
    }

    public static function run(Run $run): self
    {
        return new self([$run], true);
    }

    /**
     * @param  non-empty-list<self>  $sources
     * @param  non-empty-list<Affine>  $maps  one for each copy
     */
    public static function repeated(array $sources, array $maps): self
    {
        $runs = $places = [];
        foreach ($maps as $copy => $map) {
            foreach ($sources as $source) {
                $places[$copy][] = count($runs);
                array_push($runs, ...$source->mapped($map)->runs);
            }
        }

        /** @var non-empty-list<Run> $runs */
        return new self($runs, false, new Copies($sources, $maps, array_values($places)));
    }

    /** @return Copies<Guide>|null */
    public function copies(): ?Copies
    {
        return $this->copies;
    }

    public function role(): Role
    {
        return Role::Guide;
    }

    public function mapped(Affine $map): static
    {
        return $map->isIdentity() ? $this : new self(
            array_map(static fn (Run $run): Run => $run->mapped($map), $this->runs),
            $this->hasEnds,
            $this->copies?->then($map),
        );
    }

    /**
     * A copy of a repeat, or one guide of it.
     *
     * @param  int  $copy  from 1
     * @param  int|null  $member  from 1
     * @return self|null null where there is none
     */
    public function copy(int $copy, ?int $member): ?self
    {
        $one = $this->copies?->member($copy, $member ?? 1);
        if ($one === null || $member !== null || count($this->copies->sources ?? []) === 1) {
            return $one;
        }
        $runs = [];
        for ($k = 1; ($other = $this->copies?->member($copy, $k)) !== null; $k++) {
            array_push($runs, ...$other->runs);
        }

        return $runs === [] ? null : new self($runs, false);
    }

    /** The one curve that it is, for whoever has put aside runs and copies. */
    public function single(): Curve
    {
        return $this->curve ?? throw new \LogicException('It is several curves.');
    }

    /** @return list<Curve> */
    public function curves(): array
    {
        return array_merge(...array_map(static fn (Run $run): array => $run->curves, $this->runs));
    }

    public function isCircle(): bool
    {
        return $this->curve instanceof Arc && $this->curve->isFullCircle();
    }

    public function bounds(): Bounds
    {
        $bounds = $this->runs[0]->bounds();
        foreach ($this->runs as $run) {
            $bounds = $bounds->with($run->bounds());
        }

        return $bounds;
    }

    /** Of a circle or arc its centre, of a line or run the middle of its way, of copies the middle of them all. */
    public function center(): Vec
    {
        return match (true) {
            $this->curve instanceof Arc => $this->curve->center(),
            count($this->runs) === 1 => $this->runs[0]->pointAt(0.5),
            default => $this->bounds()->center(),
        };
    }

    /** Sheet units, of all its runs together. */
    public function length(): float
    {
        return array_sum(array_map(static fn (Run $run): float => $run->length(), $this->runs));
    }

    public function quantities(): array
    {
        return ['length' => $this->length(), ...($this->curve instanceof Arc ? ['radius' => $this->curve->radius()] : []), ...$this->facts];
    }
}
