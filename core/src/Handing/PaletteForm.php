<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** The colours that have names. */
abstract class PaletteForm extends FileForm
{
    final public function isQuick(): bool
    {
        return true;
    }

    final public function suits(Handed $of): bool
    {
        return self::palette($of) !== [];
    }

    final public function options(Handed $of): array
    {
        return [];
    }

    /** @return array<string, string> #rrggbb by name */
    final protected static function palette(Handed $of): array
    {
        return $of->scene()->plan->palette;
    }
}
