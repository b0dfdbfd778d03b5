<?php

namespace App\Work;

/** The person does not want the file any more. */
final class Cancelled extends \RuntimeException
{
}
