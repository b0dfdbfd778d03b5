<?php

namespace App\Exports;

/** A person has as many files being made as there may be. */
final class TooManyFiles extends \RuntimeException
{
}
