<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;

/** An arc from one place through another to a third. */
#[Called('guide.arc', label: 'Arc', word: 'arc', prefix: 'c', chapter: Chapter::Ground)]
final class GuideArcKind extends GuideKind
{
    public function fields(): array
    {
        return [new PlacesField('through', 'points', ['the start', 'the point on it', 'the end'], true, true)];
    }

    public function sentence(Step $step): string
    {
        return 'Arc through {through}.';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Arc', from: 'points', family: Family::Guide, key: 7,
            words: 'arc, curve, bow, part of a circle, three point arc, bend',
            says: 'An arc through three places.',
            takes: 'through',
            least: 3,
            most: 3,
        )];
    }

    public function evaluate(Arguments $given): Guide
    {
        try {
            return Guide::along(Arc::through(...$given->places('through')), true);
        } catch (Degenerate $fault) {
            throw new FieldFault('through', 'degenerate', $fault->getMessage());
        }
    }
}
