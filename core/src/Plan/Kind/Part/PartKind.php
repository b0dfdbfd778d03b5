<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Shape\Outlining;
use Sternbild\Core\Shape\Part;

/** What kinds have in common that draw a part of their own. */
abstract class PartKind extends Kind
{
    public function offersPlaces(): bool
    {
        return true;
    }

    /**
     * A part of the outline that some curves make.
     *
     * @param  list<Curve>  $curves
     * @param  list<Vec>  $places  that it was said with
     * @param  string  $field  that faults are shown at
     *
     * @throws FieldFault
     */
    final protected static function outlined(array $curves, array $places, Arguments $given, string $field): Part
    {
        try {
            $outlining = $curves === [] ? null : Outlining::of($curves, $given->tolerance());
        } catch (Unworkable $fault) {
            throw new FieldFault($field, 'limit', $fault->getMessage());
        }
        if ($outlining === null || $outlining->outlines === []) {
            throw new FieldFault($field, 'empty', 'the outline encloses nothing');
        }
        $part = Part::drawn($outlining->outlines, $given->step, $places);

        return $outlining->crossesItself
            ? $part->remarked(new Remark('crosses-itself', 'the outline crosses itself; what it winds around is filled', $field))
            : $part;
    }
}
