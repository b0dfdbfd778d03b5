<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Planning;
use Illuminate\Support\Facades\Artisan;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Tests\TestCase;

final class DemoTest extends TestCase
{
    public function test_every_sample_sheet_is_finished_work(): void
    {
        $files = glob(resource_path('demo/*.json')) ?: [];
        self::assertGreaterThanOrEqual(3, count($files));
        foreach ($files as $file) {
            $sample = PlanReader::decode((string) file_get_contents($file));
            $plan = $sample['plan'];
            $scene = app(Planning::class)->scene(is_array($plan) ? $plan : []);
            self::assertSame([], $scene->findings, $file);
            self::assertGreaterThanOrEqual(
                5,
                array_sum(array_map(static fn ($drawn): int => count($drawn->styles), $scene->drawing)),
                $file,
            );
            // Every part that is drawn was given a colour of the palette.
            foreach ($scene->drawing as $drawn) {
                foreach ($drawn->styles as $style) {
                    // A face that is left empty has none; those of blocks are as light as what falls on them.
                    if (
                        ($style?->fill === 'none' && $style->stroke === 'none') ||
                        $scene->plan->steps[$drawn->id]->kind->name() === 'block'
                    ) {
                        continue;
                    }
                    $colours =
                        $style?->gradient === null
                            ? [$style?->fill === 'none' ? $style->stroke : $style?->fill]
                            : array_column($style->gradient->stops, 1);
                    self::assertSame([], array_diff($colours, $scene->plan->palette), "$drawn->id in $file");
                }
            }
            self::assertLessThan(100_000, strlen(SvgDrawing::write($scene)), $file);
        }
    }

    /** Written with seams open and brought in again: equal areas by look, and no node more; points on straight lines may go. */
    public function test_sample_sheets_read_back_are_the_same_drawings(): void
    {
        $compared = 0;
        foreach (glob(resource_path('demo/*.json')) ?: [] as $file) {
            $plan = (array) PlanReader::decode((string) file_get_contents($file))['plan'];
            $plan['sheet'] = [...(array) $plan['sheet'], 'seams' => 'open'];
            $first = app(Planning::class)->scene($plan);
            $drawing = DrawnFile::read(SvgDrawing::write($first));
            $read = DrawingPlan::written($drawing);
            // What is not seen is told.
            if ($drawing->left !== []) {
                continue;
            }
            $again = app(Planning::class)->scene($read);
            self::assertSame($first->background(), $again->background(), $file);
            [$one, $two] = [self::byLook($first), self::byLook($again)];
            self::assertSame(array_keys($one), array_keys($two), $file);
            foreach ($one as $look => [$area, $nodes]) {
                self::assertEqualsWithDelta(1.0, $two[$look][0] / $area, 1e-5, "$look in $file");
                self::assertLessThanOrEqual($nodes, $two[$look][1], "$look in $file");
            }
            $compared++;
        }
        self::assertGreaterThanOrEqual(16, $compared);
    }

    public function test_sample_sheets_are_loaded_once_and_built_anew_on_request_only(): void
    {
        User::query()->where('email', 'demo@sternbild.test')->get()->each(static function (User $person): void {
            Sheet::withTrashed()->where('user_id', $person->id)->get()->each(static fn (Sheet $sheet): ?bool => $sheet->forceDelete());
            $person->delete();
        });
        self::assertSame(0, Artisan::call('demo:load'));
        $person = User::query()->where('email', 'demo@sternbild.test')->firstOrFail();
        $first = $person->sheets()->get()->pluck('id')->sort()->values();
        self::assertGreaterThanOrEqual(3, $first->count());
        $this->actingAs($person);
        $sheet = Sheet::query()->findOrFail((string) $first[0]);
        $this->patchJson("/api/sheets/$sheet->id", ['name' => 'Mine now'])->assertOk();

        self::assertSame(0, Artisan::call('demo:load'));
        self::assertEquals($first, $person->sheets()->get()->pluck('id')->sort()->values());
        self::assertSame('Mine now', Sheet::query()->findOrFail($sheet->id)->name);

        self::assertSame(0, Artisan::call('demo:load', ['--fresh' => true]));
        self::assertSame($first->count(), $person->sheets()->count());
        self::assertFalse($person->sheets()->get()->contains('name', 'Mine now'));
    }

    /** @return array<string, array{float, int}> area and nodes by look */
    private static function byLook(Scene $scene): array
    {
        $found = [];
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styled() as [$figure, $style]) {
                $key = json_encode(
                    [$style->fill, $style->gradient !== null, $style->stroke, $style->strokeWidth, $style->join, round($style->opacity, 3)],
                    JSON_THROW_ON_ERROR,
                );
                $found[$key] = [
                    ($found[$key][0] ?? 0.0) + $figure->area(),
                    ($found[$key][1] ?? 0) + array_sum(array_map(static fn ($outline): int => $outline->nodes(), $figure->outlines())),
                ];
            }
        }
        ksort($found);

        return $found;
    }
}
