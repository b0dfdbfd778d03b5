<?php

namespace Tests\Feature;

use App\Models\Picture;
use App\Pictures\NoPicture;
use App\Pictures\PictureBook;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use League\Flysystem\Config;
use League\Flysystem\DecoratedAdapter;
use League\Flysystem\Filesystem;
use League\Flysystem\Local\LocalFilesystemAdapter;
use League\Flysystem\UnableToWriteFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Pictures that people bring in: checked by their bytes, kept once, seen by their owner alone. */
final class PicturesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }

    public function test_a_picture_is_kept_once_without_anything_but_its_pixels_and_served_to_its_owner_only(): void
    {
        $anna = $this->person();
        $this->actingAs($anna);
        $jpeg = self::image(60, 40, 'jpeg', static function (\Imagick $image): void {
            $image->setImageProperty('comment', 'where it was taken');
        });
        self::assertStringContainsString('where it was taken', $jpeg);
        $first = $this->bring($jpeg)->assertCreated()->json();
        self::assertSame([60, 40], [$first['width'], $first['height']]);
        self::assertMatchesRegularExpression('/^sha256:[0-9a-f]{64}$/', $first['source']);
        self::assertSame($first, $this->bring($jpeg)->assertCreated()->json(), 'The same again.');
        self::assertSame(1, Picture::query()->count());
        $hash = substr($first['source'], 7);
        $file = $this->get("/api/pictures/$hash")->assertOk()->assertHeader('Content-Type', 'image/jpeg')->streamedContent();
        self::assertSame($hash, hash('sha256', $file));
        self::assertStringNotContainsString('where it was taken', $file);

        $this->actingAs($this->person('bo@sternbild.test'));
        $this->getJson("/api/pictures/$hash")->assertNotFound();
        // Nor through a plan that names it.
        $sheet = $this->sheet(self::plan($first['source']));
        $findings = $this->getJson("/api/sheets/$sheet->id")->assertOk()->json('scene.findings');
        self::assertStringContainsString('not there', $findings[0]['message']);
        self::assertSame($first['source'], $this->bring($jpeg)->assertCreated()->json('source'));
        self::assertSame(2, Picture::query()->count());
        self::assertCount(1, Storage::files('pictures'));
        self::assertSame([], $this->getJson("/api/sheets/$sheet->id")->assertOk()->json('scene.findings'));
    }

    /** The eight ways that a camera may have been held: Exif 2.32, tag 274. */
    public function test_pictures_are_turned_upright(): void
    {
        $this->actingAs($this->person());
        foreach (range(1, 8) as $orientation) {
            $jpeg = self::image(32, 16, 'jpeg', static fn (\Imagick $image): bool => $image->setImageOrientation($orientation));
            // The library writes no Exif by itself.
            $exif = "\xFF\xE1".pack('n', 34)."Exif\0\0MM\0*\0\0\0\x08\0\x01".pack('nnNn', 0x0112, 3, 1, $orientation)."\0\0\0\0\0\0";
            $brought = $this->bring(substr($jpeg, 0, 2).$exif.substr($jpeg, 2))->assertCreated()->json();
            self::assertSame($orientation < 5 ? [32, 16] : [16, 32], [$brought['width'], $brought['height']], "orientation $orientation");
        }
    }

    public function test_colours_depths_and_transparency_of_all_sorts_become_eight_bits_of_srgb(): void
    {
        $this->actingAs($this->person());
        $read = function (string $bytes): \Imagick {
            $source = self::text($this->bring($bytes)->assertCreated()->json('source'));
            $image = new \Imagick;
            $image->readImageBlob($this->get('/api/pictures/'.substr($source, 7))->assertOk()->streamedContent());

            return $image;
        };
        $cmyk = $read(
            self::image(20, 20, 'jpeg', static fn (\Imagick $image): bool => $image->transformImageColorspace(\Imagick::COLORSPACE_CMYK)),
        );
        self::assertSame(\Imagick::COLORSPACE_SRGB, $cmyk->getImageColorspace());
        $deep = $read(self::image(20, 20, 'png', static fn (\Imagick $image): bool => $image->setImageDepth(16)));
        self::assertSame(8, $deep->getImageDepth());
        $clear = new \Imagick;
        $clear->newImage(20, 20, new \ImagickPixel('transparent'));
        $clear->setImageFormat('webp');
        self::assertSame(0.0, $read($clear->getImageBlob())->getImagePixelColor(3, 3)->getColorValue(\Imagick::COLOR_ALPHA));
        $moving = new \Imagick;
        foreach (['red', 'blue'] as $colour) {
            $moving->newImage(20, 20, $colour, 'webp');
        }
        self::assertGreaterThan(
            0.9,
            $read($moving->getImagesBlob())->getImagePixelColor(3, 3)->getColorValue(\Imagick::COLOR_RED),
            'Of what moves the first.',
        );
    }

    public function test_metadata_by_the_megabyte_is_left_out_and_what_unpacks_to_more_is_not_unpacked(): void
    {
        $this->actingAs($this->person());
        $jpeg = self::image(60, 40, 'jpeg');
        $comments = str_repeat("\xFF\xFE".pack('n', 65_533).str_repeat('k', 65_531), 300);
        $brought = $this->bring(substr($jpeg, 0, 2).$comments.substr($jpeg, 2))->assertCreated()->json();
        self::assertSame([60, 40], [$brought['width'], $brought['height']]);
        $png = self::image(60, 40, 'png');
        $chunk = static fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
        $bomb = $chunk('zTXt', "about\0\0".gzcompress(str_repeat('k', 200_000_000), 9));
        $loud = $chunk('tEXt', "about\0".str_repeat('k', 20_000_000));
        foreach ([$bomb, $loud, $chunk('eXIf', 'MM'.str_repeat("\xFF", 5_000_000))] as $extra) {
            $before = memory_get_peak_usage();
            $brought = $this->bring(substr($png, 0, 33).$extra.substr($png, 33))->assertCreated()->json();
            self::assertSame([60, 40], [$brought['width'], $brought['height']]);
            self::assertLessThan(150_000_000, memory_get_peak_usage() - $before);
        }
        // A small picture each, however large the files were.
        self::assertLessThan(10_000, Picture::query()->max('bytes'));
    }

    /** @return iterable<string, array{\Closure(): string, string}> */
    public static function wrong(): iterable
    {
        yield 'no picture' => [static fn (): string => 'not a picture at all', 'by its first bytes'];
        yield 'a drawing' => [static fn (): string => '<svg xmlns="http://www.w3.org/2000/svg"/>', 'by its first bytes'];
        yield 'another form' => [static fn (): string => self::image(20, 20, 'gif'), 'by its first bytes'];
        yield 'one that says PNG only' => [
            static fn (): string => "\x89PNG\r\n\x1a\n".str_repeat('x', 200),
            'by its first bytes|broken|this one has',
        ];
        yield 'cut off' => [
            static fn (): string => substr($whole = self::image(300, 300, 'png', self::noisy(...)), 0, intdiv(strlen($whole), 2)),
            'broken',
        ];
        yield 'a photograph cut off' => [
            static fn (): string => substr($whole = self::image(300, 300, 'jpeg', self::noisy(...)), 0, intdiv(strlen($whole), 2)),
            'broken',
        ];
        yield 'a header of 30,000 × 30,000' => [
            static function (): string {
                $png = self::image(20, 20, 'png');
                $header = pack('NN', 30_000, 30_000).substr($png, 24, 5);

                return substr($png, 0, 16).$header.pack('N', crc32('IHDR'.$header)).substr($png, 33);
            }, '30,000 × 30,000'];
        yield 'nothing' => [static fn (): string => '', 'picture'];
    }

    /** @param  \Closure(): string  $bytes */
    #[DataProvider('wrong')]
    public function test_what_is_no_picture_says_why(\Closure $bytes, string $message): void
    {
        $this->actingAs($this->person());
        self::assertMatchesRegularExpression(
            "/$message/",
            self::text($this->bring($bytes())->assertUnprocessable()->json('errors.picture.0')),
        );
        self::assertSame(0, Picture::query()->count());
        self::assertSame([], Storage::files('pictures'));
    }

    /** Ten bytes still fit. */
    public function test_a_full_disk_is_told_and_nothing_is_kept_by_half(): void
    {
        $this->actingAs($this->person());
        $full = new class(new LocalFilesystemAdapter(Storage::path(''))) extends DecoratedAdapter
        {
            public function write(string $path, string $contents, Config $config): void
            {
                parent::write($path, substr($contents, 0, 10), $config);
                throw UnableToWriteFile::atLocation($path, 'No space left on device');
            }
        };
        Storage::set(Storage::getDefaultDriver(), new FilesystemAdapter(new Filesystem($full), $full, ['throw' => true]));
        $this->bring(self::image(60, 40, 'png'))
            ->assertUnprocessable()
            ->assertJsonPath('errors.picture.0', 'There is no room on the server to keep the picture just now. Please try again later.');
        self::assertSame(0, Picture::query()->count());
        self::assertSame([], Storage::allFiles());
    }

    public function test_an_upload_that_stopped_half_way_is_told_and_nothing_is_kept(): void
    {
        $this->actingAs($this->person());
        $file = (string) tempnam(sys_get_temp_dir(), 'half');
        file_put_contents($file, substr(self::image(60, 40, 'png'), 0, 100));
        foreach ([UPLOAD_ERR_PARTIAL, UPLOAD_ERR_CANT_WRITE, UPLOAD_ERR_NO_TMP_DIR] as $fault) {
            $this->post(
                '/api/pictures',
                ['picture' => new UploadedFile($file, 'half.png', null, $fault, true)],
                ['Accept' => 'application/json'],
            )
                ->assertUnprocessable()
                ->assertJsonPath('errors.picture.0', 'The picture did not arrive whole. Please try again.');
        }
        unlink($file);
        self::assertSame(0, Picture::query()->count());
    }

    public function test_pictures_count_in_the_quota(): void
    {
        $this->actingAs($this->person());
        config()->set('sternbild.quotas.bytes', 2_000);
        $before = $this->getJson('/api/account')->assertOk()->json('bytes');
        $this->bring(self::image(20, 20, 'png'))->assertCreated();
        self::assertSame($before + Picture::query()->sole()->bytes, $this->getJson('/api/account')->json('bytes'));
        $big = self::image(200, 200, 'png', self::noisy(...));
        $this->bring($big)->assertUnprocessable()->assertJsonPath('problem', 'quota');
        self::assertSame(1, Picture::query()->count());
    }

    public function test_a_picture_that_broke_in_the_store_says_so_without_where_it_lay(): void
    {
        $this->actingAs($this->person());
        $this->bring(self::image(60, 40, 'png'))->assertCreated();
        $picture = Picture::query()->sole();
        Storage::put($picture->path(), 'no picture at all');
        $this->getJson("/api/pictures/{$picture->hash}?even=1")
            ->assertUnprocessable()
            ->assertExactJson(['problem' => 'unreadable', 'message' => 'The picture cannot be read any more. Bring it in again.']);
    }

    public function test_pictures_that_were_changed_at_random_are_taken_in_or_refused_and_nothing_is_kept_by_half(): void
    {
        mt_srand(300);
        $person = $this->person();
        $whole = array_map(static fn (string $format): string => self::image(60, 40, $format, self::noisy(...)), ['png', 'jpeg', 'webp']);
        [$taken, $refused] = [0, 0];
        $file = (string) tempnam(sys_get_temp_dir(), 'changed');
        for ($round = 0; $round < 300; $round++) {
            $bytes = $whole[$round % 3];
            for ($change = mt_rand(1, 6); $change > 0; $change--) {
                $at = mt_rand(0, strlen($bytes) - 1);
                $bytes =
                    match (mt_rand(0, 3)) {
                        0 => substr($bytes, 0, $at),
                        1 => substr($bytes, 0, $at).substr($bytes, $at + mt_rand(1, 40)),
                        2 => substr($bytes, 0, $at).
                            implode('', array_map(static fn (): string => chr(mt_rand(0, 255)), range(1, mt_rand(1, 12)))).
                            substr($bytes, $at),
                        default => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                    } ?:
                    'x';
            }
            file_put_contents($file, $bytes);
            try {
                $picture = PictureBook::take($person, $file);
                self::assertSame($picture->hash, hash('sha256', (string) Storage::get($picture->path())));
                $taken++;
            } catch (NoPicture $fault) {
                self::assertStringEndsWith('.', $fault->getMessage());
                $refused++;
            }
        }
        unlink($file);
        self::assertSame(300, $taken + $refused);
        self::assertGreaterThan(20, $taken);
        self::assertGreaterThan(100, $refused);
        self::assertCount(Picture::query()->count(), Storage::files('pictures'));
    }

    public function test_pictures_that_no_sheet_names_can_be_deleted_and_no_others(): void
    {
        $anna = $this->person();
        $this->actingAs($anna);
        $used = self::text($this->bring(self::image(40, 20, 'png'))->json('source'));
        $before = self::text($this->bring(self::image(41, 20, 'png'))->json('source'));
        $unused = self::text($this->bring(self::image(42, 20, 'png'))->json('source'));
        $shared = self::text($this->bring(self::image(43, 20, 'png'))->json('source'));
        $this->sheet(self::plan($used));
        // Named by an earlier state only, which can be gone back to.
        $sheet = $this->sheet(self::plan($before));
        $this->postJson("/api/sheets/$sheet->id/changes", [
            'base' => 1,
            'change' => (string) Str::uuid(),
            'operations' => [['op' => 'remove', 'ids' => ['d1', 'k1']]],
        ])->assertSuccessful();
        $this->actingAs($this->person('bo@sternbild.test'));
        self::assertSame($shared, $this->bring(self::image(43, 20, 'png'))->json('source'));
        $this->actingAs($anna);
        self::assertSame(4, $this->getJson('/api/account')->json('pictures'));
        $this->deleteJson('/api/pictures/unused')->assertOk()->assertJson(['deleted' => 2]);
        self::assertSame(2, $this->getJson('/api/account')->json('pictures'));
        foreach ([[$used, true], [$before, true], [$unused, false], [$shared, true]] as [$source, $isThere]) {
            self::assertSame($isThere, Storage::exists('pictures/'.substr($source, 7)), $source);
        }
        $this->getJson('/api/pictures/'.substr($shared, 7))->assertNotFound();
    }

    public function test_every_cell_gets_its_colour_on_the_sheet_and_in_files(): void
    {
        $this->actingAs($this->person());
        $source = self::text($this->bring(self::image(40, 20, 'png'))->json('source'));
        $sheet = $this->sheet(self::plan($source));
        $page = $this->getJson("/api/sheets/$sheet->id")->assertOk()->json('scene');
        self::assertSame([], $page['findings']);
        $painted = array_values(array_filter($page['geometry'], static fn (array $one): bool => isset($one['painted'])))[0]['painted'];
        self::assertSame(['#0f6e84', '#d0683f'], [min($painted['colours']), max($painted['colours'])]);
        self::assertNotEmpty(array_filter($page['geometry'], static fn (array $one): bool => ($one['image'] ?? '') === substr($source, 7)));
        // The file is made where nobody is signed in.
        $this->postJson("/api/sheets/$sheet->id/exports", [
            'format' => 'pixels',
            'of' => 'g1',
            'as' => 'png',
            'scale' => 1,
        ])->assertAccepted();
        $png = imagecreatefromstring(
            $this->get('/api/exports/'.\App\Models\Export::query()->latest()->firstOrFail()->id.'/file')
                ->assertOk()
                ->streamedContent(),
        );
        self::assertInstanceOf(\GdImage::class, $png);
        self::assertSame([0x0F, 0x6E, 0x84], array_slice(array_values(imagecolorsforindex($png, (int) imagecolorat($png, 0, 0))), 0, 3));
        self::assertSame([0xD0, 0x68, 0x3F], array_slice(array_values(imagecolorsforindex($png, (int) imagecolorat($png, 7, 3))), 0, 3));
    }

    /** @return array<string, mixed> */
    private static function plan(string $source): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 400, 'height' => 200, 'unit' => 'px', 'background' => null, 'checks' => ['miss' => 0, 'small' => 0]],
            'palette' => ['lagoon' => '#0f6e84'],
            'values' => (object) [],
            'steps' => [
                ['id' => 'k1', 'kind' => 'picture', 'source' => $source],
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 8, 'rows' => 4, 'cell' => 50],
                ['id' => 'd1', 'kind' => 'sample', 'picture' => 'k1', 'on' => 'g1', 'colours' => 2],
            ],
        ];
    }

    /** The left half lagoon, the right half copper. */
    private static function image(int $wide, int $high, string $format, ?\Closure $then = null): string
    {
        $image = new \Imagick;
        $image->newImage($wide, $high, '#0f6e84', $format);
        $half = new \Imagick;
        $half->newImage(intdiv($wide, 2), $high, '#d0683f');
        $image->compositeImage($half, \Imagick::COMPOSITE_OVER, intdiv($wide, 2), 0);
        if ($then !== null) {
            $then($image);
        }

        return $image->getImageBlob();
    }

    private static function noisy(\Imagick $image): void
    {
        $image->addNoiseImage(\Imagick::NOISE_RANDOM);
    }

    /** @return TestResponse<Response> */
    private function bring(string $bytes): TestResponse
    {
        return $this->post(
            '/api/pictures',
            ['picture' => UploadedFile::fake()->createWithContent('picture', $bytes)],
            ['Accept' => 'application/json'],
        );
    }
}
