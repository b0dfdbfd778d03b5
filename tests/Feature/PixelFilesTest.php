<?php

namespace Tests\Feature;

use App\Models\Export;
use App\Models\Sheet;
use Tests\TestCase;

/** Painted cells as files, and strokes over HTTP. */
final class PixelFilesTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function walk(): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 160, 'height' => 80, 'unit' => 'px', 'background' => null],
            'palette' => ['ink' => '#1b2140', 'lamp' => '#f2b33d'],
            'values' => (object) [],
            'steps' => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 16, 'rows' => 8, 'cell' => 10],
                ['id' => 'f1', 'kind' => 'frames', 'on' => 'g1', 'size' => [8, 8], 'count' => 2, 'ms' => 100],
                ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '1,1+7', 'lamp' => '9,2']],
            ],
        ];
    }

    public function test_cells_are_handed_over_exactly_as_picture_drawing_moving_picture_and_sheet(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::walk());
        $png = $this->made($sheet, ['of' => 'g1', 'as' => 'png', 'scale' => 4]);
        self::assertSame([64, 32], array_slice((array) getimagesizefromstring($png), 0, 2));
        $picture = imagecreatefromstring($png);
        self::assertInstanceOf(\GdImage::class, $picture);
        for ($y = 0; $y < 32; $y++) {
            for ($x = 0; $x < 64; $x++) {
                $colour = imagecolorsforindex($picture, (int) imagecolorat($picture, $x, $y));
                $expected = match (true) {
                    intdiv($y, 4) === 0 && $x < 32 => [0x1B, 0x21, 0x40, 0],
                    intdiv($y, 4) === 1 && intdiv($x, 4) === 8 => [0xF2, 0xB3, 0x3D, 0],
                    default => null,
                };
                self::assertSame($expected ?? 127, $expected === null ? $colour['alpha'] : array_values($colour), "$x, $y");
            }
        }
        self::assertStringContainsString(
            '<path fill="#f2b33d" d="M8 1h1v1h-1z"/>',
            $this->made($sheet, ['of' => 'g1', 'as' => 'svg', 'scale' => 1]),
        );
        self::assertStringContainsString('acTL', $this->made($sheet, ['format' => 'frames', 'of' => 'f1', 'as' => 'apng', 'scale' => 2]));
        $file = tempnam(sys_get_temp_dir(), 'sheet');
        self::assertNotFalse($file);
        file_put_contents($file, $this->made($sheet, ['format' => 'frames', 'of' => 'f1', 'as' => 'sheet', 'scale' => 2]));
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($file));
        self::assertSame([32, 16], array_slice((array) getimagesizefromstring((string) $zip->getFromIndex(0)), 0, 2));
        $said = json_decode((string) $zip->getFromIndex(1), true);
        self::assertSame($zip->getNameIndex(0), $said['image']);
        self::assertSame(['x' => 16, 'y' => 0, 'width' => 16, 'height' => 16, 'ms' => 100], $said['frames'][1]);
        unlink($file);
    }

    public function test_what_cannot_be_handed_over_says_why(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::walk());
        $asked = fn (array $asked) => $this->postJson("/api/sheets/$sheet->id/exports", [
            'format' => 'pixels',
            ...$asked,
        ])->assertUnprocessable();
        $asked(['format' => 'frames', 'of' => 'g1', 'as' => 'apng', 'scale' => 1])->assertJsonValidationErrors('of');
        $asked(['of' => 'd1', 'as' => 'png', 'scale' => 1])->assertJsonValidationErrors('of');
        $asked(['of' => 'g1', 'as' => 'png', 'scale' => 1.5])->assertSee('whole number');
        $asked(['of' => 'g1', 'as' => 'png', 'gilt' => true])->assertJsonValidationErrors('gilt');
        $asked(['of' => 'g1', 'as' => 'pdf', 'scale' => 1])->assertJsonValidationErrors('as');
        $asked(['of' => 'g1', 'as' => 'png', 'scale' => 0])->assertJsonValidationErrors('scale');
    }

    public function test_a_stroke_is_one_change_and_its_revision_is_small(): void
    {
        $this->actingAs($this->person());
        $plan = self::walk();
        $rows = [];
        for ($row = 1; $row <= 100; $row++) {
            for ($column = 1; $column <= 100; $column += 2) {
                $rows[] = "$column,$row";
            }
        }
        $plan['steps'] = [
            [...$plan['steps'][0], 'columns' => 100, 'rows' => 100, 'cell' => 1],
            ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => implode(' ', $rows)]],
        ];
        $sheet = $this->sheet($plan);
        $stroke = implode(' ', array_map(static fn (int $k): string => 2 * ($k % 25) + 2 .','.(30 + intdiv($k, 25)), range(0, 49)));
        $this->change($sheet, 1, [
            ['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => 'g1', 'cells' => ['lamp' => $stroke], 'along' => 0],
        ])->assertOk();
        $page = $this->getJson("/api/sheets/$sheet->id")
            ->assertOk()
            ->json();
        self::assertSame(2, $page['revision']);
        self::assertSame('Paint', $page['undo']);
        self::assertLessThan(2000, $sheet->revisions()->where('number', 2)->firstOrFail()->bytes);
        $this->change($sheet, 2, [
            ['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => 'g1', 'cells' => ['lamp' => 'here']],
        ])->assertUnprocessable();
    }

    /** @param  array<string, mixed>  $asked */
    private function made(Sheet $sheet, array $asked): string
    {
        $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'pixels', ...$asked])->assertAccepted();
        $export = Export::query()->latest()->firstOrFail();
        self::assertSame(Export::READY, $export->state);
        $content = $this->get("/api/exports/$export->id/file")->assertOk()->streamedContent();
        $export->delete();

        return $content;
    }
}
