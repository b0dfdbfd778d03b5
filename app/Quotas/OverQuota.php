<?php

namespace App\Quotas;

/** A person would keep more than there is room for. */
final class OverQuota extends \RuntimeException
{
}
