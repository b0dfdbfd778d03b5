<?php

namespace App\Sheets;

/** As many pictures as can be made at once are being made. */
final class SlotsTaken extends \RuntimeException
{
}
