<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\Raster;

/** A page for print. */
final class PdfForm extends FileForm
{
    public function name(): string
    {
        return 'pdf';
    }

    public function rank(): int
    {
        return 3;
    }

    public function options(Handed $of): array
    {
        return [Shown::field()];
    }

    public function ending(array $asked): string
    {
        return 'pdf';
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $svg = Shown::svg($of->scene(), $asked);
        $meanwhile->goesOn();
        file_put_contents($path, Raster::pdf($svg, $meanwhile->goesOn(...)));
    }
}
