<?php

namespace App\Sheets;

use App\Models\Sheet;

/** A change was made on a revision that is no longer the head. */
final class StaleChange extends \RuntimeException
{
    public function __construct(public readonly Sheet $sheet)
    {
        parent::__construct('This sheet was changed elsewhere in the meantime. Your change is not lost; it can be made on the newer plan.');
    }
}
