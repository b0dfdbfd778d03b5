<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;

/** Parts or guides by the map that takes three places to three others: a flat drawing onto an isometric face. */
#[Called('onto', label: 'Lay onto', word: 'laying', prefix: 'v', purpose: Purpose::Construction)]
final class OntoKind extends TransformKind
{
    protected function how(): array
    {
        $each = ['the first place', 'the second place', 'the third place'];

        return [new PlacesField('from', 'from', $each, true, true), new PlacesField('to', 'to', $each, true, true)];
    }

    public function sentence(Step $step): string
    {
        return 'Lay {of} from {from} onto {to}[, {copy}][, {keep}].';
    }

    protected function map(Arguments $given): Affine
    {
        try {
            return Affine::onto(self::three($given->places('from')), self::three($given->places('to')));
        } catch (Degenerate $fault) {
            throw new FieldFault('to', 'degenerate', $fault->getMessage());
        }
    }

    /**
     * @param  list<Vec>  $places
     * @return array{Vec, Vec, Vec}
     */
    private static function three(array $places): array
    {
        return [$places[0], $places[1], $places[2]];
    }
}
