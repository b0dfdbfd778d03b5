<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChapterSetRequest;
use App\Http\Requests\ExportRequest;
use App\Models\Sheet;
use App\Sheets\ChapterSet;
use App\Sheets\Planning;
use App\Sheets\RenderSlots;
use App\Sheets\SlotsTaken;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Unusable;

/** Pictures and files of a sheet. */
final readonly class ExportController
{
    /** Pixels times the figures that are laid over one another as pictures; more would take longer than anybody waits. */
    private const MOST_BLENDED = 1.5e9;

    public function __construct(private Planning $planning, private RenderSlots $slots)
    {
    }

    /** @throws Unusable */
    public function thumbnail(Request $request, Sheet $sheet): Response
    {
        $response = new Response(headers: ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, no-cache']);
        $response->setEtag("$sheet->id-$sheet->head");
        if (! $response->isNotModified($request)) {
            $response->setContent(SvgDrawing::write($this->planning->scene($sheet->headRevision()->plan)));
        }

        return $response;
    }

    /**
     * @throws RenderFailed
     * @throws Unusable
     */
    public function file(ExportRequest $request, Sheet $sheet): Response
    {
        $format = $request->string('format')->toString();
        $plan = $sheet->headRevision()->plan;
        if ($format === 'json') {
            return self::download($sheet, 'json', 'application/json', PlanJson::pretty($plan));
        }
        $scene = $this->planning->scene($plan);
        $svg = match (true) {
            $request->boolean('grid') => SvgDrawing::writeWithGrids($scene),
            $request->boolean('uses') => SvgDrawing::writeWithUses($scene),
            default => SvgDrawing::write($scene),
        };

        return match ($format) {
            'png' => self::download($sheet, 'png', 'image/png', $this->png($scene, $svg, self::scale($scene->plan, $request->float('scale', 1.0)))),
            'pdf' => self::download($sheet, 'pdf', 'application/pdf', $this->slots->within(static fn (): string => Raster::pdf($svg))),
            default => self::download($sheet, 'svg', 'image/svg+xml', $svg),
        };
    }

    /**
     * @throws RenderFailed
     * @throws Unusable
     * @throws ValidationException
     */
    public function chapters(ChapterSetRequest $request, Sheet $sheet): Response
    {
        $scene = $this->planning->scene($sheet->headRevision()->plan);
        $chapters = ChapterSet::chapters($scene, $request->texts('chapters'), Str::slug($sheet->name) ?: 'sheet');
        $set = new ChapterSet($chapters, $request->sizes(), $request->texts('formats'), $request->float('clear') / 100, $request->boolean('ground'));
        if ($set->pictures() > ChapterSet::MOST_PICTURES) {
            throw ValidationException::withMessages(['sizes' => "There would be {$set->pictures()} pictures; at most ".ChapterSet::MOST_PICTURES.' can be made at once.']);
        }
        $archive = $this->slots->within(static fn (): ?string => $set->archive($scene)) ?? throw ValidationException::withMessages(['chapters' => 'Nothing of these chapters is drawn by itself.']);

        return self::download($sheet, 'zip', 'application/zip', $archive);
    }

    /**
     * @throws RenderFailed
     * @throws SlotsTaken
     * @throws ValidationException
     */
    private function png(Scene $scene, string $svg, float $scale): string
    {
        $pixels = $scene->plan->width * $scene->plan->height * ($scale * $scene->plan->unit->pixels()) ** 2;
        $blended = 0;
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styles as $style) {
                $blended += $style !== null && ($style->opacity < 1.0 || $style->blend !== 'normal') ? 1 : 0;
            }
        }
        if ($pixels * $blended > self::MOST_BLENDED) {
            throw ValidationException::withMessages(['scale' => sprintf(
                'There are %s half transparent or blended figures; at this size they would take too long. A scale of %.2g would do.',
                number_format($blended), $scale * sqrt(self::MOST_BLENDED / ($pixels * $blended)),
            )]);
        }

        return $this->slots->within(static fn (): string => Raster::png($svg, $scale));
    }

    /** @throws ValidationException */
    private static function scale(Plan $plan, float $scale): float
    {
        $side = max($plan->width, $plan->height) * $plan->unit->pixels() * $scale;
        if ($side > Raster::LARGEST_SIDE) {
            throw ValidationException::withMessages(['scale' => sprintf(
                'The picture would be %s pixels on its longer side; at most %s can be made.', number_format($side), number_format(Raster::LARGEST_SIDE),
            )]);
        }

        return $scale;
    }

    private static function download(Sheet $sheet, string $ending, string $type, string $content): Response
    {
        $name = Str::slug($sheet->name) ?: 'sheet';

        return new Response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name.$ending\""]);
    }
}
