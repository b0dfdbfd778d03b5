<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\ForBoth;
use Sternbild\Desk\KindDesk;

/** How the desk offers it. */
final class Onto extends KindDesk
{
    public function offers(): array
    {
        $corner = [[0, 0], ['sheet.width/4', 0], [0, 'sheet.height/4']];

        return ForBoth::offers(
            'Lay onto…',
            6,
            'skew, shear, isometric face, perspective, affine, transform, project',
            'Lays a flat drawing onto another face: three places come to lie on three others.',
            ['from' => $corner, 'to' => [[0, 0], ['sheet.width/4', 'sheet.width/4*tan(30)'], [0, 'sheet.height/4']]],
            ['from', 'to'],
        );
    }
}
