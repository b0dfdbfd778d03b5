<?php

namespace App\Sheets;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\PlanEdit;

/** A change that was made, and what the sheet comes to with it. */
final readonly class Accepted
{
    public function __construct(public PlanEdit $edit, public Scene $scene)
    {
    }
}
