<?php

namespace App\Sheets;

use App\Models\User;
use App\Work\Cancelled;
use App\Work\Progress;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Handing\FileNames;

/** All that a person has constructed, to take home. */
final class AllSheets
{
    /** An archive is written out after so many bytes of plans, so that they are not all held at once. */
    private const BYTES_AT_ONCE = 20_000_000;

    /**
     * Writes a zip archive, in which each sheet is a plan that can be opened as a new one.
     *
     * @throws \RuntimeException where it cannot be written
     * @throws Cancelled
     */
    public static function write(User $person, string $file, Progress $progress): void
    {
        $progress->pieces($person->sheets()->count());
        $zip = self::open($file, \ZipArchive::OVERWRITE);
        $names = new FileNames;
        $bytes = $made = 0;
        foreach ($person->listedSheets('changed')->lazy(20) as $sheet) {
            $plan = PlanJson::pretty($sheet->headRevision()->plan);
            $bytes += strlen($plan);
            $progress->made(++$made);
            $zip->addFromString($names->of($sheet->name, 'sheet').'.json', $plan);
            if ($bytes > self::BYTES_AT_ONCE) {
                $zip->close();
                $zip = self::open($file, 0);
                $bytes = 0;
            }
        }
        if ($zip->numFiles === 0) {
            // An archive without a file would be none.
            $zip->addFromString('no sheets yet.txt', "There were no sheets.\n");
        }
        $zip->close() ?: throw new \RuntimeException('The archive could not be written.');
    }

    private static function open(string $file, int $how): \ZipArchive
    {
        $zip = new \ZipArchive;

        return $zip->open($file, $how) === true ? $zip : throw new \RuntimeException('The archive could not be written.');
    }
}
