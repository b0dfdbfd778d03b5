<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\MovingRaster;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneView;

final class FramesTest extends TestCase
{
    public function test_frames_lie_row_by_row_and_are_drawn_as_a_guide(): void
    {
        $scene = self::scene(['size' => [5, 4], 'count' => 6, 'ms' => 90]);
        self::assertSame([], $scene->findings);
        [$whole, $frames, $pictures] = PixelRaster::frames($scene, 'f1');
        self::assertSame([[0, 0], [5, 0], [10, 0], [15, 0], [0, 4], [5, 4]], $frames->corners());
        self::assertSame(16, $frames->most());
        self::assertSame([20, 8], [$whole->wide, $whole->high]);
        // What is painted at column 6, row 5 is the first cell of the sixth frame.
        self::assertSame([0 => '#1b2140'], $pictures[5]->cells);
        self::assertSame([], $pictures[0]->cells);
        $view = SceneView::describe($scene, []);
        self::assertSame(
            ['on' => 'g1', 'size' => [5, 4], 'corners' => $frames->corners(), 'most' => 16, 'ms' => 90],
            $view['steps'][1]['frames'] ?? null,
        );
    }

    public function test_what_does_not_fit_is_said(): void
    {
        self::assertStringContainsString(
            'does not fit: its grid has 20 × 16',
            self::scene(['size' => [21, 4], 'count' => 1])->findings[0]->message,
        );
        self::assertStringContainsString('room for 16 frames', self::scene(['size' => [5, 4], 'count' => 17])->findings[0]->message);
        $this->expectException(Unusable::class);
        PixelRaster::frames(self::scene(['size' => [5, 4], 'count' => 17]), 'f1');
    }

    public function test_what_is_written_beside_says_where_each_lies(): void
    {
        [$whole, $frames] = PixelRaster::frames(self::scene(['size' => [5, 4], 'count' => 6, 'ms' => 90]), 'f1');
        $said = json_decode(MovingRaster::json($frames, $whole, 'walk.png', 3), true, 16, JSON_THROW_ON_ERROR);
        self::assertSame(['image' => 'walk.png', 'size' => ['width' => 60, 'height' => 24], 'scale' => 3], array_slice($said, 0, 3));
        self::assertSame(['x' => 15, 'y' => 12, 'width' => 15, 'height' => 12, 'ms' => 90], $said['frames'][5]);
    }

    public function test_a_drawing_of_cells_has_one_path_a_colour(): void
    {
        $svg = PixelRaster::of(self::scene(['size' => [5, 4], 'count' => 1], ['ink' => '2,3+4 3,4', 'lagoon' => '2,4']), 'g1')->svg(2);
        self::assertStringContainsString('width="40" height="32" viewBox="0 0 20 16"', $svg);
        self::assertStringContainsString('<path fill="#1b2140" d="M1 2h5v1h-5zM2 3h1v1h-1z"/>', $svg);
        self::assertSame(2, substr_count($svg, '<path'));
    }

    /**
     * @param  array<string, mixed>  $frames
     * @param  array<string, string>  $cells
     */
    private static function scene(array $frames, array $cells = ['ink' => '6,5']): Scene
    {
        $plan = Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 20, 'rows' => 16, 'cell' => 40],
            ['id' => 'f1', 'kind' => 'frames', 'on' => 'g1', ...$frames],
            ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => $cells],
        ]);

        return Sample::scene($plan);
    }
}
