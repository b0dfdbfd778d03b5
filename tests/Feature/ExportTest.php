<?php

namespace Tests\Feature;

use Illuminate\Testing\TestResponse;
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
}
