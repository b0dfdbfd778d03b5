<?php

namespace Tests\Feature;

use App\Sheets\RenderSlots;
use Illuminate\Testing\TestResponse;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Tests\Format\PathReader;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

final class ExportTest extends TestCase
{
    public function test_the_svg_encloses_what_the_core_says(): void
    {
        $svg = $this->file('svg')->assertHeader('Content-Type', 'image/svg+xml')->getContent();
        preg_match_all('/ d="([^"]+)"/', (string) $svg, $paths);
        self::assertCount(10, $paths[1]);
        // The petals cover rings 2 to 4 all around: π(240² − 60²).
        self::assertEqualsWithDelta(M_PI * (240 ** 2 - 60 ** 2), array_sum(array_map(PathReader::area(...), $paths[1])), 1.0);
        self::assertStringNotContainsString('id="g1"', (string) $svg);
        self::assertStringContainsString('id="g1"', (string) $this->file('svg', '&grid=1')->getContent());
    }

    public function test_chapters_come_as_an_icon_set_each_on_its_own_square_with_clear_space(): void
    {
        $this->actingAs($this->person());
        $plan = self::rosette();
        $plan['steps'] = [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 200]]],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [600, 600], 'radius' => 50],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1', 'p2'], 'fill' => 'lagoon'],
        ];
        $plan['chapters'] = [['name' => 'Bar', 'from' => 'p1'], ['name' => 'Dot', 'from' => 'p2']];
        $sheet = $this->sheet($plan);
        $set = fn (array $asked) => $this->get("/api/sheets/$sheet->id/chapters.zip?".http_build_query($asked), ['Accept' => 'application/json']);
        $files = self::unzipped($set(['chapters' => ['p1', 'p2'], 'sizes' => [16, 24, 32], 'formats' => ['svg', 'png'], 'clear' => 12.5])->assertOk()->getContent());
        self::assertCount(12, $files);
        self::assertArrayHasKey('bar-16.svg', $files);
        // The bar is 200 wide and takes three quarters of the square, in its middle.
        self::assertMatchesRegularExpression('/width="16" height="16" viewBox="66\.6667 16\.6667 266\.6667 266\.6667"/', $files['bar-16.svg']);
        self::assertSame(1, substr_count($files['bar-16.svg'], '<path'));
        foreach ([16, 24, 32] as $size) {
            $png = imagecreatefromstring($files["dot-$size.png"]);
            self::assertInstanceOf(\GdImage::class, $png);
            self::assertSame([$size, $size], [imagesx($png), imagesy($png)]);
            $alpha = static fn (int $x, int $y): int => imagecolorsforindex($png, (int) imagecolorat($png, $x, $y))['alpha'];
            // The clear space is clear to its last pixel, and the disc reaches the next one.
            $clear = (int) ($size / 8);
            self::assertSame([127, 127, 0], [$alpha(0, $size >> 1), $alpha($clear - 1, $size >> 1), $alpha($size >> 1, $size >> 1)]);
            self::assertLessThan(60, $alpha($clear, $size >> 1));
        }
        self::assertSame(['rosette-48.svg'], array_keys(self::unzipped($set(['sizes' => [48], 'formats' => ['svg'], 'clear' => 0])->assertOk()->getContent())));
        $set(['chapters' => ['p1'], 'sizes' => [0], 'formats' => ['svg'], 'clear' => 0])->assertUnprocessable()->assertJsonValidationErrors(['sizes.0']);
        $set(['chapters' => ['p1'], 'sizes' => [16], 'formats' => ['gif'], 'clear' => 50])->assertUnprocessable()->assertJsonValidationErrors(['formats.0', 'clear']);
        $set(['chapters' => ['x9'], 'sizes' => [16], 'formats' => ['svg'], 'clear' => 0])->assertUnprocessable()->assertJsonValidationErrors(['chapters']);
    }

    /** @return array<string, string> contents by name */
    private static function unzipped(mixed $archive): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'set');
        file_put_contents($file, is_string($archive) ? $archive : '');
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($file));
        $files = [];
        for ($k = 0; $k < $zip->numFiles; $k++) {
            $files[(string) $zip->getNameIndex($k)] = (string) $zip->getFromIndex($k);
        }
        $zip->close();
        unlink($file);

        return $files;
    }

    public function test_the_png_has_the_size_and_the_colours(): void
    {
        $png = imagecreatefromstring((string) $this->file('png', '&scale=2')->assertHeader('Content-Type', 'image/png')->getContent());
        self::assertInstanceOf(\GdImage::class, $png);
        self::assertSame([1600, 1600], [imagesx($png), imagesy($png)]);
        $colour = static fn (int $x, int $y): array => imagecolorsforindex($png, (int) imagecolorat($png, $x, $y));
        self::assertSame(['red' => 0x0F, 'green' => 0x6E, 'blue' => 0x84, 'alpha' => 0], $colour(800, 800 - 2 * 150));
        self::assertSame(127, $colour(800, 800)['alpha']);
        self::assertSame(127, $colour(5, 5)['alpha']);
        // As many pixels as the area says, but for the rims: 4 pixels to the square unit.
        $filled = 0;
        for ($y = 0; $y < 1600; $y += 2) {
            for ($x = 0; $x < 1600; $x += 2) {
                $filled += $colour($x, $y)['alpha'] < 64 ? 1 : 0;
            }
        }
        self::assertEqualsWithDelta(1.0, $filled / (M_PI * (240 ** 2 - 60 ** 2)), 0.01);
    }

    public function test_the_pdf_is_one_and_the_plan_comes_back(): void
    {
        self::assertStringStartsWith('%PDF-', (string) $this->file('pdf')->assertHeader('Content-Type', 'application/pdf')->getContent());
        $plan = json_decode((string) $this->file('json')->assertDownload('rosette.json')->getContent(), true);
        self::assertEquals([...self::rosette(), 'values' => []], $plan);
    }

    public function test_a_picture_too_large_to_be_made_is_refused_by_field(): void
    {
        $this->file('png', '&scale=50')->assertUnprocessable()->assertJsonValidationErrors(['scale']);
        $this->file('png', '&scale=-1')->assertUnprocessable()->assertJsonValidationErrors(['scale']);
        $this->file('bmp')->assertUnprocessable()->assertJsonValidationErrors(['format']);
    }

    public function test_the_thumbnail_is_sent_once(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $first = $this->get("/api/sheets/$sheet->id/thumbnail.svg")->assertOk();
        $this->get("/api/sheets/$sheet->id/thumbnail.svg", ['If-None-Match' => (string) $first->headers->get('ETag')])->assertStatus(304);
        $this->change($sheet, 1, [self::sectors(12)])->assertOk();
        $this->get("/api/sheets/$sheet->id/thumbnail.svg", ['If-None-Match' => (string) $first->headers->get('ETag')])->assertOk();
    }

    /** @return TestResponse<Response> */
    private function file(string $format, string $more = ''): TestResponse
    {
        static $number = 0;
        $this->actingAs($this->person('ada'.(++$number).'@sternbild.test'));
        $sheet = $this->sheet();

        return $this->get("/api/sheets/$sheet->id/file?format=$format$more", ['Accept' => 'application/json']);
    }

    public function test_pictures_are_made_two_at_a_time_and_the_third_is_told_when_to_come_back(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $held = array_map(static function (int $number): mixed {
            $file = fopen(RenderSlots::path($number), 'c');
            self::assertIsResource($file);
            flock($file, LOCK_EX);

            return $file;
        }, range(1, RenderSlots::SLOTS));
        $this->getJson("/api/sheets/$sheet->id/file?format=png")->assertStatus(503)->assertHeader('Retry-After', '2')->assertJsonPath('problem', 'waiting');
        // What needs no picture goes on.
        $this->getJson("/api/sheets/$sheet->id/file?format=svg")->assertOk();
        fclose($held[0]);
        $this->getJson("/api/sheets/$sheet->id/file?format=png")->assertOk();
        fclose($held[1]);
    }

    public function test_a_picture_that_would_take_too_long_is_refused_with_a_scale_that_would_do(): void
    {
        $this->actingAs($this->person());
        $plan = self::rosette();
        $plan['steps'] = [
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 300],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [410, 400], 'count' => 400],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'lagoon', 'opacity' => 0.5, 'blend' => 'multiply'],
        ];
        $sheet = $this->sheet($plan);
        $refused = $this->getJson("/api/sheets/$sheet->id/file?format=png&scale=12.5")->assertUnprocessable()->assertJsonValidationErrors(['scale']);
        self::assertStringContainsString('400 half transparent', self::text($refused->json('errors.scale.0')));
        self::assertStringContainsString('A scale of 2.4 would do', self::text($refused->json('errors.scale.0')));
    }

    public function test_making_a_picture_ends_at_its_deadline_with_nothing_left_running(): void
    {
        $circles = str_repeat('<circle cx="500" cy="500" r="450" opacity=".5" style="mix-blend-mode:multiply"/>', 2000);
        $start = hrtime(true);
        try {
            Raster::png("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"5000\" height=\"5000\">$circles</svg>", 1.0, 1);
            self::fail('It was made.');
        } catch (RenderFailed $fault) {
            self::assertStringContainsString('more than 1 seconds', $fault->getMessage());
        }
        self::assertLessThan(6.0, (hrtime(true) - $start) / 1e9);
        self::assertSame('', trim((string) shell_exec('pgrep -P '.getmypid().' rsvg-convert')));
    }
}
