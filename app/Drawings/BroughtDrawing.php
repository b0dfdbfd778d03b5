<?php

namespace App\Drawings;

use App\Models\User;
use App\Pictures\NoPicture;
use App\Pictures\PictureBook;
use App\Quotas\OverQuota;
use App\Sheets\Planning;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Svg\NoDrawing;

/** SVG files as steps of a plan: as parts in their places, as one motif, or as a picture to trace. */
final readonly class BroughtDrawing
{
    /** Pixels of the longer side of what comes in as a picture. */
    private const PICTURE = 2_000;

    public function __construct(private Planning $planning, private Kinds $kinds)
    {
    }

    /**
     * A plan of its own.
     *
     * @return array{plan: array<string, mixed>, left: list<string>}
     *
     * @throws NoDrawing
     * @throws Unusable where the plan would be too large
     */
    public function plan(string $text): array
    {
        $drawing = DrawnFile::read($text);
        $plan = DrawingPlan::written($drawing);
        (new PlanReader($this->kinds))->fromArray($plan);

        return ['plan' => $plan, 'left' => $drawing->left];
    }

    /**
     * Steps to lay on a sheet, in the place that they have in the file.
     *
     * @param  array<string, mixed>  $plan  of the sheet
     * @return array{steps: list<array<string, mixed>>, palette: array<string, string>, left: list<string>}
     *
     * @throws NoDrawing
     */
    public function parts(string $text, array $plan): array
    {
        [$drawing, $steps, $palette] = self::read($text, $plan);

        return ['steps' => $steps['steps'], 'palette' => $palette, 'left' => $drawing->left];
    }

    /**
     * The same as one motif, placed where it lay.
     *
     * @param  array<string, mixed>  $plan
     * @return array{steps: list<array<string, mixed>>, palette: array<string, string>, left: list<string>}
     *
     * @throws NoDrawing
     */
    public function motif(string $text, array $plan): array
    {
        [$drawing, $steps, $palette] = self::read($text, $plan);
        $middle = [round($drawing->width / 2, 6), round($drawing->height / 2, 6)];

        return [
            'steps' => [
                ...$steps['steps'],
                ['id' => 'm1', 'kind' => 'motif', 'of' => $steps['drawn'], 'anchor' => $middle],
                ['id' => 'm2', 'kind' => 'place', 'motif' => 'm1', 'at' => [$middle]],
            ],
            'palette' => $palette,
            'left' => $drawing->left,
        ];
    }

    /**
     * The same as a picture under the construction.
     *
     * @param  array<string, mixed>  $plan
     * @return array{steps: list<array<string, mixed>>, palette: array<string, string>, left: list<string>}
     *
     * @throws NoDrawing
     * @throws NoPicture
     * @throws OverQuota
     * @throws RenderFailed
     * @throws Unusable
     */
    public function picture(string $text, array $plan, User $person): array
    {
        $drawing = DrawnFile::read($text, self::unit($plan));
        $svg = SvgDrawing::write($this->planning->scene(DrawingPlan::written($drawing)));
        $file = tempnam(sys_get_temp_dir(), 'drawing');
        try {
            // What was read is drawn, and not the file itself: nothing in it is fetched or run.
            file_put_contents((string) $file, Raster::png($svg, self::PICTURE / max($drawing->width, $drawing->height)));
            $picture = PictureBook::take($person, (string) $file);
        } finally {
            @unlink((string) $file);
        }

        return [
            'steps' => [
                ['id' => 'k1', 'kind' => 'picture', 'source' => $picture->source(), 'width' => round($drawing->width, 6), 'fade' => 0.4],
            ],
            'palette' => [],
            'left' => $drawing->left,
        ];
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array{DrawnFile, array{steps: list<array<string, mixed>>, drawn: list<string>}, array<string, string>}
     *
     * @throws NoDrawing
     */
    private static function read(string $text, array $plan): array
    {
        $drawing = DrawnFile::read($text, self::unit($plan));
        $steps = DrawingPlan::steps($drawing, array_filter(is_array($plan['palette'] ?? null) ? $plan['palette'] : [], is_string(...)));

        return [$drawing, $steps, $steps['palette']];
    }

    /** @param  array<string, mixed>  $plan */
    private static function unit(array $plan): string
    {
        $unit = is_array($plan['sheet'] ?? null) ? $plan['sheet']['unit'] ?? null : null;

        return is_string($unit) ? $unit : 'px';
    }
}
