<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** A zip of several files. */
final class Archive
{
    public static function begun(string $path): \ZipArchive
    {
        $zip = new \ZipArchive;

        return $zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) === true
            ? $zip
            : throw new \RuntimeException('The archive could not be written.');
    }

    public static function ended(\ZipArchive $zip): void
    {
        $zip->close() ?: throw new \RuntimeException('The archive could not be written.');
    }
}
