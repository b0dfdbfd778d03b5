<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A length unit of a sheet, and the suffix of a length. */
enum Unit: string
{
    case Px = 'px';
    case Mm = 'mm';
    case Cm = 'cm';
    case In = 'in';
    case Pt = 'pt';

    /** 96 px = 1 in = 25.4 mm = 72 pt (CSS Values and Units). */
    public function pixels(): float
    {
        return match ($this) {
            self::Px => 1.0,
            self::Mm => 96 / 25.4,
            self::Cm => 96 / 2.54,
            self::In => 96.0,
            self::Pt => 96 / 72,
        };
    }
}
