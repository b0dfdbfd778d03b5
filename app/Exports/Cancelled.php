<?php

namespace App\Exports;

/** The person does not want the file any more. */
final class Cancelled extends \RuntimeException
{
}
