<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remedy;

/** Curves of an outline that nearly run into one another: of each step the two that turn most. */
final class AlmostTangent extends Check
{
    public function tells(): array
    {
        return [
            Sort::note(
                'almost-tangent',
                'curves of an outline that turn by less than 5°',
                'the arc behind the join leaves the way before without a corner',
            ),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function look(Looked $at): array
    {
        $findings = [];
        $almost = array_filter(
            $at->corners(),
            static fn (Joint $one): bool => $one->degrees > Joint::STRAIGHT && $one->degrees < Joint::ALMOST && ! $one->isOfLines(),
        );
        foreach (Joint::worst(array_values($almost)) as $id => $corner) {
            $said = Numerals::plain((float) sprintf('%.2g', $corner->degrees));
            $finding = $this->found('almost-tangent', (string) $id, "two curves of it are not quite tangent, they turn by {$said}°")->at(
                $corner->place(),
                $corner->degrees,
            );
            $step = $corner->writtenIn($at);
            $remedy = $step === null ? null : self::tangent($step, $corner->k);
            $findings[] = $remedy === null ? $finding : $finding->with($remedy);
        }

        return $findings;
    }

    /** Leaves the way before without a corner, where the way behind is an arc. */
    private static function tangent(Step $step, int $k): ?Remedy
    {
        $bends = $step->raw('bends');
        if ($k === 0 || ! is_array($bends) || ! isset($bends[$k]['bulge']) && ! isset($bends[$k]['through'])) {
            return null;
        }
        $bends[$k] = ['tangent' => true];

        return new Remedy('Make it tangent', [['op' => 'set', 'id' => $step->id, 'field' => 'bends', 'value' => $bends]]);
    }
}
