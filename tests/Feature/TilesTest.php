<?php

namespace Tests\Feature;

use App\Models\Export;
use Tests\TestCase;

final class TilesTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function cloth(array $more = []): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 480, 'height' => 460, 'unit' => 'mm', 'background' => '#171c3a'],
            'palette' => ['lagoon' => '#0f6e84'],
            'values' => (object) [],
            'steps' => [
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [110, 105], 'radius' => 4],
                [
                    'id' => 'w1',
                    'kind' => 'pattern',
                    'of' => ['p1'],
                    'group' => 'p6',
                    'origin' => [100, 100],
                    'a' => [60, 0],
                    'show' => 'sheet',
                    'colours' => ['lagoon', '#d0683f'],
                    ...$more,
                ],
                ['id' => 'z1', 'kind' => 'resize', 'of' => ['w1'], 'about' => [100, 100], 'factor' => 2, 'copy' => true],
            ],
        ];
    }

    public function test_the_tile_is_told_with_its_seam_and_the_sizes_that_are_exact(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::cloth());
        $tile = $this->postJson("/api/sheets/$sheet->id/tile", ['of' => 'w1', 'width' => 200])->assertOk()->json();
        self::assertEqualsWithDelta([60.0, 60 * sqrt(3)], $tile['size'], 1e-9);
        self::assertEquals([100, 100], $tile['at']);
        self::assertSame([200, 346], $tile['pixels']);
        self::assertFalse($tile['exact']);
        self::assertSame([[153, 265], [209, 362]], $tile['near']);
        $seam = $this->postJson("/api/sheets/$sheet->id/tile/seam", ['of' => 'w1'])->assertOk()->json();
        self::assertTrue($seam['holds']);
        self::assertSame(0, $seam['off']);
        self::assertGreaterThan(100_000, $seam['compared']);
        self::assertSame([['id' => 'z1', 'label' => 'resize 1']], $tile['others']);
        self::assertEqualsWithDelta(
            [120.0, 120 * sqrt(3)],
            $this->postJson("/api/sheets/$sheet->id/tile", ['of' => 'w1', 'with' => ['z1']])
                ->assertOk()
                ->json('size'),
            1e-9,
        );
    }

    public function test_what_has_no_tile_says_why(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::cloth(['group' => 'p1', 'a' => [60, 1.234], 'b' => [0.777, 50]]));
        $this->postJson("/api/sheets/$sheet->id/tile", ['of' => 'w1'])->assertUnprocessable()->assertSee('no upright tile');
        $this->postJson("/api/sheets/$sheet->id/tile", ['of' => 'p1'])->assertUnprocessable();
        $this->postJson("/api/sheets/$sheet->id/tile/seam", ['of' => 'p1'])->assertUnprocessable();
        $this->postJson("/api/sheets/$sheet->id/tile", ['of' => 'w1', 'width' => 0])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('width');
        $this->postJson("/api/sheets/$sheet->id/tile", [])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('of');
    }

    public function test_tiles_are_handed_over_as_svg_png_and_pdf(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::cloth());
        $file = function (array $asked) use ($sheet): string {
            $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'tile', 'of' => 'w1', ...$asked])->assertAccepted();
            $export = Export::query()->latest()->firstOrFail();
            self::assertSame(Export::READY, $export->state);
            $content = $this->get("/api/exports/$export->id/file")->assertOk()->streamedContent();
            $export->delete();

            return $content;
        };
        $svg = $file(['as' => 'svg']);
        self::assertStringContainsString('width="60mm" height="103.923048454133mm" viewBox="100 100 60 103.923048454133"', $svg);
        self::assertStringContainsString('#d0683f', $svg);
        $png = $file(['as' => 'png', 'width' => 209]);
        self::assertSame([209, 362], array_slice((array) getimagesizefromstring($png), 0, 2));
        self::assertStringStartsWith('%PDF', $file(['as' => 'pdf']));
        $picture = imagecreatefromstring($png);
        self::assertInstanceOf(\GdImage::class, $picture);
        // The middle of the first disc, 10 by 5 mm from the corner.
        self::assertSame(0x0F6E84, imagecolorat($picture, 35, 17) & 0xFFFFFF);
        $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'tile', 'of' => 'w1', 'as' => 'bmp'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('as');
        $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'tile', 'of' => 'w1', 'as' => 'png', 'width' => 4000])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('width');
        $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'tile', 'of' => 'nowhere', 'as' => 'png'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('of');
        // As wide as it is at one to a CSS pixel, unless said: too many of a cloth of metres.
        $wide = $this->sheet(self::cloth(['a' => [2000, 0]]));
        $this->postJson("/api/sheets/$wide->id/exports", ['format' => 'tile', 'of' => 'w1', 'as' => 'png'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('width');
        $this->postJson("/api/sheets/$wide->id/exports", ['format' => 'tile', 'of' => 'w1', 'as' => 'svg'])->assertAccepted();
    }

    public function test_twelve_thousand_copies_travel_as_one_cell(): void
    {
        $this->actingAs($this->person());
        $many = fn (int $across, int $down): string => (string) $this->getJson(
            '/api/sheets/'.$this->sheet(self::cloth(['group' => 'p6m', 'show' => 'cells', 'across' => $across, 'down' => $down]))->id,
        )
            ->assertOk()
            ->getContent();
        self::assertLessThan(strlen($many(1, 1)) + 4_000, strlen($many(40, 25)));
    }

    public function test_a_pattern_fills_a_part_and_says_where_it_cannot(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::cloth());
        $this->change($sheet, 1, [
            ['op' => 'add', 'step' => ['kind' => 'part.circle', 'id' => '+disc', 'center' => [300, 300], 'radius' => 50]],
            ['op' => 'add', 'step' => ['kind' => 'style', 'of' => ['+disc'], 'fill' => ['pattern' => 'w1', 'resize' => 0.5]]],
        ])->assertOk();
        $scene = $this->getJson("/api/sheets/$sheet->id")
            ->assertOk()
            ->json('scene');
        self::assertIsArray($scene);
        self::assertSame(['w1'], array_column(array_column(array_merge(...array_column($scene['drawing'], 'styles')), 'pattern'), 'of'));
        self::assertContains('w1', array_column($scene['cells'], 'id'));
        $this->change($sheet, 2, [['op' => 'add', 'step' => ['kind' => 'style', 'of' => ['p1'], 'fill' => ['pattern' => 'p1']]]])
            ->assertUnprocessable()
            ->assertSee('no pattern');
    }
}
