<?php

namespace App\Pictures;

/** What was brought in is no picture that can be taken; the message says what was expected. */
final class NoPicture extends \RuntimeException
{
}
