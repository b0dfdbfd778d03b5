<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** An evaluated step as others refer to it, or a copy or a piece of what it comes to. */
final readonly class Evaluated
{
    /**
     * @param  string  $id  as it is referred to: `p1`, `r1[3]`
     * @param  array<string, float>  $numbers  its numeric parameters, by name
     * @param  array<string, self>  $frames  the grids that it is built on, directly or through others, by id
     * @param  string|null  $step  id of the step, where only some of what it comes to is meant
     * @param  list<int>|null  $figures  of its part that are meant; null for all
     * @param  array<string, list<Vec>>  $places  where the places that it says came to lie, by field
     * @param  list<int>|null  $drawnAs  figures of the whole part that a copy or a piece is; null for a whole step, and for a piece that is
     *   only some of a figure
     * @param  (\Closure(): list<Pull>)|null  $findPulls  finds what else can be taken hold of on the sheet
     */
    public function __construct(
        public string $id,
        public string $hash,
        public Result $result,
        public array $numbers,
        public array $frames = [],
        public ?string $step = null,
        public ?array $figures = null,
        public array $places = [],
        private ?\Closure $findPulls = null,
        public ?array $drawnAs = null,
    ) {
    }

    /**
     * Some of what the step comes to.
     *
     * @param  list<int>|null  $figures
     * @param  list<int>|null  $drawnAs
     */
    public function portion(string $id, Result $result, ?array $figures, ?array $drawnAs): self
    {
        return new self(
            $id,
            $this->hash.substr($id, strlen($this->step())),
            $result,
            [],
            $this->frames,
            $this->step(),
            $figures,
            drawnAs: $drawnAs,
        );
    }

    /** @return list<Pull> what can be taken hold of on the sheet beside its places */
    public function pulls(): array
    {
        return $this->findPulls === null ? [] : ($this->findPulls)();
    }

    public function step(): string
    {
        return $this->step ?? $this->id;
    }

    /** A parameter, or what the result derives from its parameters; null where there is none of this name. */
    public function number(string $name): ?float
    {
        return $this->numbers[$name] ?? match (true) {
            $this->result instanceof Part => $this->result->quantity($name),
            $this->result instanceof Measured => $this->result->quantities()[$name] ?? null,
            default => null,
        };
    }

    /** @return list<string> of those numbers, without the two of a pair */
    public function numberNames(): array
    {
        $all = [...array_keys($this->numbers), ...match (true) {
            $this->result instanceof Part => $this->result->quantityNames(),
            $this->result instanceof Measured => array_keys($this->result->quantities()),
            default => [],
        }];

        return array_values(preg_grep('/\.\d$/', $all, PREG_GREP_INVERT) ?: []);
    }

    /** Equal where it comes to the same and stands on the same grids. */
    public function fingerprint(): string
    {
        return $this->id.
            ':'.
            $this->hash.
            implode('', array_map(static fn (self $frame): string => "/$frame->id:$frame->hash", $this->frames));
    }
}
