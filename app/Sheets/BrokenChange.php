<?php

namespace App\Sheets;

use Sternbild\Core\Result\Finding;

/** A change would leave the step that it is about without a result. */
final class BrokenChange extends \RuntimeException
{
    /** @param  non-empty-list<Finding>  $findings */
    public function __construct(public readonly array $findings)
    {
        parent::__construct($findings[0]->message);
    }
}
