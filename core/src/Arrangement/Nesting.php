<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Vec;

/** Which components lie in which faces. */
final class Nesting
{
    /**
     * @param  array<int, int>  $faceOf  face by cycle, for the cycles that bound one from outside
     * @return array<int, list<int>> the cycles around the components that lie in a face, by face
     */
    public static function find(Edges $edges, Runs $runs, Cycles $cycles, Locator $locator, array $faceOf): array
    {
        [$tops, $members] = self::tops($edges, $runs, $cycles);
        $above = [];
        foreach ($tops as $component => $top) {
            $above[$component] = $locator->above($top, $members[$component]);
        }
        $holes = [];
        foreach ($cycles->outside as $cycle => $outside) {
            if (! $outside) {
                continue;
            }
            // What lies above the top of a component reaches higher still, so that this comes to an end.
            for ($half = $above[$cycles->component[$cycle]]; $half !== null; $half = $above[$cycles->component[$cycles->of[$half]]]) {
                $face = $faceOf[$cycles->of[$half]] ?? null;
                if ($face !== null) {
                    $holes[$face][] = $cycle;
                    break;
                }
            }
        }

        return $holes;
    }

    /** @return array{array<int, Vec>, array<int, array<int, true>>} of each component its highest point on the screen, and its edges */
    private static function tops(Edges $edges, Runs $runs, Cycles $cycles): array
    {
        $members = $highest = $tops = $componentOf = [];
        foreach ($edges->run as $edge => $run) {
            $component = $componentOf[$run] = $cycles->component[$cycles->of[2 * $edge]];
            $members[$component][$edge] = true;
            foreach ([$edges->from[$edge], $edges->to[$edge]] as $vertex) {
                if (! isset($highest[$component]) || $edges->y[$vertex] < $edges->y[$highest[$component]]) {
                    $highest[$component] = $vertex;
                }
            }
        }
        foreach ($highest as $component => $vertex) {
            $tops[$component] = new Vec($edges->x[$vertex], $edges->y[$vertex]);
        }
        foreach ($componentOf as $run => $component) {
            // Curves rise above their ends.
            $top = EdgeCurve::topmost($runs->curves[$run]);
            if ($top->y < $tops[$component]->y) {
                $tops[$component] = $top;
            }
        }

        return [$tops, $members];
    }
}
