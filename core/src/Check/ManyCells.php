<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Grid\Overlay;

/** Overlays of which no cells can be picked. */
final class ManyCells extends Check
{
    public function tells(): array
    {
        return [
            Sort::note('many-cells', 'an overlay of which no cells can be picked'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function look(Looked $at): array
    {
        $findings = [];
        foreach ($at->known as $id => $step) {
            $cells = $step->result instanceof Overlay ? $step->result->cellCount() : 0;
            if ($cells > Overlay::MOST_PICKED) {
                $findings[] = $this->found(
                    'many-cells',
                    $id,
                    sprintf(
                        'has %s cells; up to %s can be picked on the sheet',
                        number_format($cells),
                        number_format(Overlay::MOST_PICKED),
                    ),
                );
            }
        }

        return $findings;
    }
}
