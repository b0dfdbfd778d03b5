<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\PngChunks;

/** The palette as a picture: one pixel a colour. */
final class StripForm extends PaletteForm
{
    public function name(): string
    {
        return 'strip';
    }

    public function rank(): int
    {
        return 10;
    }

    public function ending(array $asked): string
    {
        return 'png';
    }

    public function estimate(Handed $of, array $asked): Estimate
    {
        return new Estimate([count(self::palette($of)).' × 1 pixels']);
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $colours = self::palette($of);
        $pixels = array_map(static fn (string $hex): string => (string) hex2bin(substr($hex, 1).'ff'), $colours);
        file_put_contents($path, PngChunks::picture(count($colours), 1, [implode('', $pixels)]));
    }
}
