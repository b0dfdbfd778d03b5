<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\Operations;

/** All operations: also those that hang on what the plan comes to. */
final class SceneOperations
{
    /** @param  \Closure(array<array-key, mixed>): Scene  $sceneOf  what a plan as it is written comes to */
    public static function all(\Closure $sceneOf): Operations
    {
        return Operations::plain()->with(new Arrange($sceneOf), new DrawInto($sceneOf));
    }
}
