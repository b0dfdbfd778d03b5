<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Planning;
use Illuminate\Support\Facades\Artisan;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\PlanReader;
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
            self::assertGreaterThanOrEqual(5, array_sum(array_map(static fn ($drawn): int => count($drawn->styles), $scene->drawing)), $file);
            // Every part that is drawn was given a colour of the palette.
            foreach ($scene->drawing as $drawn) {
                foreach ($drawn->styles as $style) {
                    // A face that is left empty has none; those of blocks are as light as what falls on them.
                    if (($style?->fill === 'none' && $style->stroke === 'none') || $scene->plan->steps[$drawn->id]->kind->name() === 'block') {
                        continue;
                    }
                    $colours = $style?->gradient === null ? [$style?->fill === 'none' ? $style->stroke : $style?->fill] : array_column($style->gradient->stops, 1);
                    self::assertSame([], array_diff($colours, $scene->plan->palette), "$drawn->id in $file");
                }
            }
            self::assertLessThan(100_000, strlen(SvgDrawing::write($scene)), $file);
        }
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
}
