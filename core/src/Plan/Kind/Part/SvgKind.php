<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\MapField;
use Sternbild\Core\Plan\Field\PathField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Outlining;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Svg\PathText;
use Sternbild\Core\Svg\Recovery;

/** A part as another program drew it: path data, of which lines, arcs and circles are known again. */
#[Called('part.svg', label: 'Shape', word: 'shape', prefix: 'p', purpose: Purpose::Construction)]
final class SvgKind extends PartKind
{
    protected function declared(): array
    {
        return [
            new PathField('path', 'path', true),
            new MapField('map', 'map'),
            new ChoiceField('rule', 'filling', ['nonzero' => 'wherever it winds', 'evenodd' => 'by turns'], 'nonzero'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Shape of {path} that were drawn elsewhere[, filled {rule}].';
    }

    public function evaluate(Arguments $given): Part
    {
        [$runs] = PathText::read($given->text('path'));
        $map = $given->has('map') ? $given->map('map') : Affine::identity();
        $outlines = [];
        foreach ($runs as [$curves]) {
            $mapped = [];
            foreach ($curves as $curve) {
                array_push($mapped, ...($map->isIdentity() ? [$curve] : $curve->mapped($map)));
            }
            // What is left open is filled as if it were closed.
            [$start, $end] = [$mapped[0]->start(), $mapped[count($mapped) - 1]->end()];
            if ($start->distanceTo($end) > 0.0) {
                $mapped[] = new Line($end, $start);
            }
            $found = Recovery::found($mapped, true);
            array_push($outlines, ...($found === [] ? [] : [$found]));
        }
        Budget::spend(4 * array_sum(array_map(count(...), $outlines)));
        try {
            $filled =
                $outlines === [] ? [] : Outlining::ofRuns($outlines, $given->text('rule') === 'evenodd', $given->tolerance())->outlines;
        } catch (Unworkable $fault) {
            throw new FieldFault('path', 'limit', $fault->getMessage());
        }

        return $filled === [] ? throw new FieldFault('path', 'empty', 'it encloses nothing') : Part::drawn($filled, $given->step);
    }
}
