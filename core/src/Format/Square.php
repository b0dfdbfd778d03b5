<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Bounds;

/** Some parts of a drawing in the middle of a square of their own, with clear space around them. */
final readonly class Square
{
    /** @param  array<string, true>  $ids  of the parts */
    private function __construct(
        public float $left,
        public float $top,
        public float $side,
        public int $pixels,
        public bool $withGround,
        private array $ids,
    ) {
    }

    /**
     * @param  list<string>|null  $ids  of steps; null for all that is drawn
     * @param  float  $clear  the clear space on every side, as a share of the square's, below a half
     * @param  int  $pixels  that the square is wide
     * @return self|null null where none of them is drawn
     */
    public static function around(Scene $scene, ?array $ids, float $clear, int $pixels, bool $withGround = false): ?self
    {
        $wanted = $ids === null ? null : array_flip($ids);
        $bounds = null;
        $shown = [];
        foreach ($scene->drawing as $drawn) {
            foreach ($wanted === null || isset($wanted[$drawn->id]) ? $drawn->styled() : [] as [$figure, $style]) {
                $box = $figure->bounds();
                // A stroke reaches half its width beyond the outline.
                $over = $style->stroke === 'none' ? 0.0 : $style->strokeWidth / 2;
                $box = new Bounds($box->left - $over, $box->top - $over, $box->right + $over, $box->bottom + $over);
                $bounds = $bounds?->with($box) ?? $box;
                $shown[$drawn->id] = true;
            }
        }
        if ($bounds === null) {
            return null;
        }
        $side = max($bounds->right - $bounds->left, $bounds->bottom - $bounds->top) / (1.0 - 2.0 * $clear);
        $middle = $bounds->center();

        return new self($middle->x - $side / 2, $middle->y - $side / 2, $side, $pixels, $withGround, $shown);
    }

    public function shows(string $id): bool
    {
        return isset($this->ids[$id]);
    }
}
