<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Evaluation\Scene;

/** What is handed over: a plan, and what it comes to as soon as that is asked for. */
final class Handed
{
    private ?Scene $scene = null;

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  string  $name  that files of it are called by, in plain letters
     * @param  \Closure(): Scene  $evaluated
     * @param  (\Closure(string): void)|null  $pack  writes an archive of the plan with its pictures at a path; null where there is no store
     *   of them
     */
    public function __construct(
        public readonly array $plan,
        public readonly string $name,
        private readonly \Closure $evaluated,
        public readonly ?\Closure $pack = null,
    ) {
    }

    public function scene(): Scene
    {
        return $this->scene ??= ($this->evaluated)();
    }
}
