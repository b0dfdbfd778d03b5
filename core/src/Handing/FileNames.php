<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Symfony\Component\String\Slugger\AsciiSlugger;

/** Names for files that lie beside one another: plain letters, and none twice. */
final class FileNames
{
    /** @var array<string, true> */
    private array $taken = [];

    /** @param  string  $else  where nothing of the name can be in a file's */
    public function of(string $name, string $else): string
    {
        $free = $base = (new AsciiSlugger)->slug($name)->lower()->toString() ?: $else;
        for ($number = 2; isset($this->taken[$free]); $number++) {
            $free = "$base-$number";
        }
        $this->taken[$free] = true;

        return $free;
    }
}
