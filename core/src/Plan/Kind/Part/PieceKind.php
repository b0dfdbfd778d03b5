<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Some of the pieces of a part: those that enclose given places. The part goes on being drawn. */
#[Called('part.piece', label: 'Piece', word: 'piece', prefix: 'p', purpose: Purpose::Construction)]
final class PieceKind extends PartKind
{
    protected function declared(): array
    {
        return [
            new StepField('of', 'part', Role::Part, true),
            new PlacesField('at', 'places', ['the place'], false, true),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'The pieces of {of} at {at}.';
    }

    public function evaluate(Arguments $given): Part
    {
        $part = $given->parts('of')[0];
        $figures = [];
        foreach ($given->places('at') as $number => $place) {
            $piece =
                $part->pieceAt($place) ??
                throw new FieldFault("at.$number", 'lost', 'no piece of the part encloses place '.($number + 1));
            // Two places in one piece name it once.
            $figures[serialize($piece)] = $piece;
        }

        /** @var non-empty-list<\Sternbild\Core\Shape\Figure> $pieces there is at least one place */
        $pieces = array_values($figures);

        return Part::of($pieces)->throughStep($given->step);
    }
}
