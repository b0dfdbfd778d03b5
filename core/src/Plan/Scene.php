<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Check\Finding;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Shape\Part;

/** What a plan comes to. */
final readonly class Scene
{
    /**
     * @param  array<string, string>  $labels  what messages call the steps, by id
     * @param  array<string, Known>  $known  results by step id, in order
     * @param  list<DrawnPart>  $drawing  from back to front
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public Plan $plan,
        public array $labels,
        public array $known,
        public array $drawing,
        public array $findings,
    ) {
    }

    /** @return array<string, Grid> */
    public function grids(): array
    {
        return $this->resultsOf(Grid::class);
    }

    /** @return array<string, Guide> */
    public function guides(): array
    {
        return $this->resultsOf(Guide::class);
    }

    /** @return array<string, Overlay> */
    public function overlays(): array
    {
        return $this->resultsOf(Overlay::class);
    }

    /** @return array<string, Part> */
    public function parts(): array
    {
        return $this->resultsOf(Part::class);
    }

    public function background(): ?string
    {
        $background = $this->plan->background;

        return $background === null ? null : strtolower($this->plan->palette[$background] ?? $background);
    }

    public function hasErrors(): bool
    {
        foreach ($this->findings as $finding) {
            if ($finding->isError()) {
                return true;
            }
        }

        return false;
    }

    /**
     * @template T of Result
     *
     * @param  class-string<T>  $class
     * @return array<string, T>
     */
    private function resultsOf(string $class): array
    {
        $found = [];
        foreach ($this->known as $id => $step) {
            if ($step->result instanceof $class) {
                $found[$id] = $step->result;
            }
        }

        return $found;
    }
}
