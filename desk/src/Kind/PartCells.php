<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartCells extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Make a part', from: 'cells', family: Family::Make, key: 1,
            words: 'merge cells, fill cells, shape from cells, build, create, unite cells',
            says: 'Makes one shape of the picked cells; it follows its grid.',
            takes: 'cells',
        )];
    }
}
