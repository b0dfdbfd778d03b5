<?php

namespace Tests\Feature;

use App\Jobs\MakeFile;
use App\Models\Export;
use App\Sheets\Tidy;
use App\Work\Cancelled;
use App\Work\Progress;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
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
        // Under the edges that they share lie lines, which enclose nothing.
        preg_match_all('/ d="([^"]+)"/', (string) preg_replace('/<g class="seams".*?<\/g>/s', '', (string) $svg), $paths);
        self::assertCount(10, $paths[1]);
        // The petals cover rings 2 to 4 all around: π(240² − 60²).
        self::assertEqualsWithDelta(M_PI * (240 ** 2 - 60 ** 2), array_sum(array_map(PathReader::area(...), $paths[1])), 1.0);
        self::assertStringContainsString('class="seams"', (string) $svg);
        self::assertStringNotContainsString(
            'seams',
            (string) $this->file('svg', '&shown=exact')->getContent(),
            'Cutters get the outlines alone.',
        );
        self::assertStringNotContainsString('id="g1"', (string) $svg);
        self::assertStringContainsString('id="g1"', (string) $this->file('svg', '&shown=grid')->getContent());
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
        $set = fn (array $asked) => $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'set', ...$asked]);
        $zip = fn (array $asked): array => self::unzipped($this->made($set($asked))->streamedContent());
        $files = $zip(['chapters' => ['p1', 'p2'], 'sizes' => [16, 24, 32], 'formats' => ['svg', 'png'], 'clear' => 12.5]);
        self::assertCount(12, $files);
        $whole = Export::query()->firstOrFail();
        self::assertSame([6, 6], [$whole->made, $whole->pieces]);
        self::assertArrayHasKey('bar-16.svg', $files);
        // The bar is 200 wide and takes three quarters of the square, in its middle.
        self::assertMatchesRegularExpression(
            '/width="16" height="16" viewBox="66\.6667 16\.6667 266\.6667 266\.6667"/',
            $files['bar-16.svg'],
        );
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
        self::assertSame(['rosette-48.svg'], array_keys($zip(['sizes' => [48], 'formats' => ['svg'], 'clear' => 0])));
        $set(['chapters' => ['p1'], 'sizes' => [0], 'formats' => ['svg'], 'clear' => 0])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['sizes']);
        $set(['chapters' => ['p1'], 'sizes' => [16], 'formats' => ['gif'], 'clear' => 50])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['formats', 'clear']);
        $set(['chapters' => ['x9'], 'sizes' => [16], 'formats' => ['svg'], 'clear' => 0])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['chapters']);
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
        $png = imagecreatefromstring(
            $this->made($this->order('png', ['scale' => 2]))
                ->assertHeader('Content-Type', 'image/png')
                ->assertDownload('rosette.png')
                ->streamedContent(),
        );
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
        self::assertStringStartsWith(
            '%PDF-',
            $this->made($this->order('pdf'))->assertHeader('Content-Type', 'application/pdf')->streamedContent(),
        );
        $plan = json_decode((string) $this->file('plan')->assertDownload('rosette.json')->getContent(), true);
        self::assertEquals([...self::rosette(), 'values' => []], $plan);
    }

    public function test_a_picture_too_large_to_be_made_is_refused_by_field(): void
    {
        $this->order('png', ['scale' => 50])->assertUnprocessable()->assertJsonValidationErrors(['scale']);
        $this->order('png', ['scale' => -1])->assertUnprocessable()->assertJsonValidationErrors(['scale']);
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

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function order(string $format, array $more = []): TestResponse
    {
        static $number = 0;
        $this->actingAs($this->person('order'.(++$number).'@sternbild.test'));

        return $this->postJson("/api/sheets/{$this->sheet()->id}/exports", ['format' => $format, ...$more]);
    }

    /**
     * The file of an order that was made at once, as it is fetched.
     *
     * @param  TestResponse<Response>  $order
     * @return TestResponse<Response>
     */
    private function made(TestResponse $order): TestResponse
    {
        $id = self::text($order->assertStatus(202)->assertJsonPath('state', 'ready')->json('id'));

        return $this->get("/api/exports/$id/file")->assertOk();
    }

    /** @return TestResponse<Response> */
    private function file(string $format, string $more = ''): TestResponse
    {
        static $number = 0;
        $this->actingAs($this->person('ada'.(++$number).'@sternbild.test'));
        $sheet = $this->sheet();

        return $this->get("/api/sheets/$sheet->id/file?format=$format$more", ['Accept' => 'application/json']);
    }

    public function test_a_person_has_two_files_in_hand_and_the_first_of_anybody_goes_before_their_second(): void
    {
        $queue = Queue::fake();
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $order = fn () => $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'png']);
        $first = $order()->assertStatus(202)->assertJsonPath('state', 'waiting')->json('id');
        $this->getJson('/api/exports/'.self::text($first).'/file')->assertNotFound();
        $order()->assertStatus(202);
        self::assertSame(['files', 'more-files'], $queue->pushed(MakeFile::class)->pluck('queue')->all());
        $order()->assertStatus(429)->assertHeader('Retry-After', '2')->assertJsonPath('problem', 'waiting');
        $this->postJson('/api/account/exports')->assertStatus(429);
        // What needs no turn goes on, and one that is cancelled makes room.
        $this->getJson("/api/sheets/$sheet->id/file?format=svg")->assertOk();
        $this->deleteJson('/api/exports/'.self::text($first))->assertNoContent();
        $this->getJson('/api/exports/'.self::text($first))->assertOk()->assertJsonPath('state', 'cancelled');
        $order()->assertStatus(202);
    }

    public function test_a_file_that_is_cancelled_while_it_is_made_ends_within_a_moment_with_nothing_left(): void
    {
        Queue::fake();
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $export = Export::query()->findOrFail(
            self::text($this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'png'])->json('id')),
        );
        $export->update(['state' => Export::WORKING]);
        $progress = new Progress($export);
        $circles = str_repeat('<circle cx="500" cy="500" r="450" opacity=".5" style="mix-blend-mode:multiply"/>', 2000);
        $looks = 0;
        $start = hrtime(true);
        try {
            Raster::png(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"5000\" height=\"5000\">$circles</svg>",
                1.0,
                15,
                function () use (&$looks, $progress, $export): void {
                    if (++$looks === 20) {
                        self::assertNotSame('', self::renderers());
                        $this->deleteJson("/api/exports/$export->id")->assertNoContent();
                    }
                    $progress->goesOn();
                },
            );
            self::fail('It was made.');
        } catch (Cancelled) {
            self::assertLessThan(3.0, (hrtime(true) - $start) / 1e9);
        }
        self::assertSame('', self::renderers());
    }

    public function test_a_file_is_of_the_sheet_as_it_was_when_it_was_asked_for(): void
    {
        Queue::fake();
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $id = self::text(
            $this->postJson("/api/sheets/$sheet->id/exports", [
                'format' => 'set',
                'sizes' => [64],
                'formats' => ['svg'],
                'clear' => 0,
            ])->json('id'),
        );
        $this->change($sheet, 1, [['op' => 'remove', 'ids' => ['r1', 's1', 'p1']]])->assertOk();
        $this->app?->call([new MakeFile($id), 'handle']);
        self::assertSame(
            ['rosette-64.svg'],
            array_keys(
                self::unzipped(
                    $this->get("/api/exports/$id/file")
                        ->assertOk()
                        ->streamedContent(),
                ),
            ),
        );
    }

    public function test_a_file_that_could_not_be_made_says_why_and_one_that_nobody_fetched_goes_within_the_hour(): void
    {
        Queue::fake();
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $id = self::text($this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'png'])->json('id'));
        (new MakeFile($id))->failed(new RenderFailed('The picture took more than 20 seconds.', true));
        $this->getJson("/api/exports/$id")
            ->assertJsonPath('state', 'failed')
            ->assertJsonPath('message', 'The picture took too long. A smaller scale, or fewer half transparent figures, would do.');
        $kept = self::text($this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'png'])->json('id'));
        $this->app?->call([new MakeFile($kept), 'handle']);
        Storage::assertExists("exports/$kept");
        (new Tidy($sheet->id))->handle();
        $this->getJson("/api/exports/$kept")->assertOk();
        $this->travel(61)->minutes();
        (new Tidy($sheet->id))->handle();
        $this->getJson("/api/exports/$kept")->assertNotFound();
        Storage::assertMissing("exports/$kept");
    }

    /** @return string numbers of the programs that make pictures for this process, at whatever depth */
    private static function renderers(): string
    {
        return trim((string) shell_exec('pgrep -g $(ps -o pgid= -p '.getmypid().') -x rsvg-convert'));
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
        $refused = $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'png', 'scale' => 12.5])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['scale']);
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
        self::assertSame('', self::renderers());
    }
}
