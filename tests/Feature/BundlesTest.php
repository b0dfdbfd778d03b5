<?php

namespace Tests\Feature;

use App\Models\Picture;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Plans that travel with their pictures. */
final class BundlesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }

    public function test_a_plan_goes_out_with_its_pictures_and_comes_in_again_as_the_same_for_the_command_line_too(): void
    {
        $this->actingAs($this->person());
        $source = self::text(
            $this->post(
                '/api/pictures',
                ['picture' => UploadedFile::fake()->createWithContent('picture', self::image('#0f6e84'))],
                ['Accept' => 'application/json'],
            )
                ->assertCreated()
                ->json('source'),
        );
        $plan = self::plan($source);
        $sheet = $this->sheet($plan);
        $response = $this->get("/api/sheets/$sheet->id/file?format=plan&packed=1")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/zip')->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $response);
        $zip = (string) file_get_contents($response->getFile()->getPathname());

        // Unpacked, it is what the command line reads.
        $folder = sys_get_temp_dir().'/bundle'.bin2hex(random_bytes(6));
        mkdir($folder);
        file_put_contents("$folder.zip", $zip);
        $archive = new \ZipArchive;
        self::assertTrue($archive->open("$folder.zip"));
        self::assertSame(2, $archive->numFiles);
        $archive->extractTo($folder);
        $archive->close();
        $unpacked = PlanReader::decode((string) file_get_contents("$folder/plan.json"));
        $scene = (new Evaluator(new ShortMemory))->evaluate(
            (new PlanReader(Kinds::all()->withPictures(new FolderPictures($folder))))->fromArray($unpacked),
        );
        self::assertSame([], $scene->findings);

        // Its owner has the picture already; another one takes it in.
        self::assertSame($source, $this->bring($zip)->assertOk()->json('plan.steps.0.source'));
        self::assertSame(1, Picture::query()->count());
        $this->actingAs($this->person('bo@sternbild.test'));
        $read = $this->bring($zip)->assertOk()->json();
        self::assertSame([], $read['left']);
        self::assertMatchesRegularExpression('/^sha256:[0-9a-f]{64}$/', $read['plan']['steps'][0]['source']);
        self::assertSame(2, Picture::query()->count());
        self::assertSame(array_diff_key($plan['steps'][0], ['source' => 0]), array_diff_key($read['plan']['steps'][0], ['source' => 0]));
        array_map(unlink(...), [...glob("$folder/pictures/*") ?: [], "$folder/plan.json", "$folder.zip"]);
    }

    /** @return iterable<string, array{array<string, string>, string}> files of a zip, and what is said of it */
    public static function wrong(): iterable
    {
        yield 'no plan' => [['pictures/a.png' => 'x'], 'plan.json'];
        yield 'a plan that is none' => [['plan.json' => 'what'], 'JSON'];
        yield 'a file that climbs out' => [['plan.json' => '{}', '../../etc/passwd' => 'x'], 'climb out'];
        yield 'a file from the root' => [['plan.json' => '{}', '/etc/passwd' => 'x'], 'climb out'];
        yield 'a picture that is none' => [
            ['plan.json' => json_encode(self::plan('pictures/a.png'), JSON_THROW_ON_ERROR), 'pictures/a.png' => 'no picture'],
            'pictures/a.png: Expected a PNG',
        ];
        yield 'what unpacks to more' => [['plan.json' => '{}', 'pictures/a.png' => str_repeat('k', 61_000_000)], 'Nothing was unpacked'];
        yield 'more files than there may be' => [
            ['plan.json' => '{}', ...array_fill_keys(array_map(static fn (int $k): string => "pictures/$k.png", range(1, 201)), 'x')],
            'at most 200 files',
        ];
    }

    /** @param  array<string, string>  $files */
    #[DataProvider('wrong')]
    public function test_what_is_no_such_zip_says_why_and_nothing_is_kept(array $files, string $said): void
    {
        $this->actingAs($this->person());
        self::assertStringContainsString(
            $said,
            self::text($this->bring(self::zipped($files))->assertUnprocessable()->json('errors.bundle.0')),
        );
        self::assertSame(0, Picture::query()->count());
        self::assertSame([], Storage::files('pictures'));
    }

    public function test_what_is_missing_or_does_not_belong_is_told_and_the_rest_is_read(): void
    {
        $this->actingAs($this->person());
        $read = $this->bring(
            self::zipped(['plan.json' => json_encode(self::plan('pictures/gone.png'), JSON_THROW_ON_ERROR), 'notes.txt' => 'x']),
        )
            ->assertOk()
            ->json('left');
        self::assertSame(
            [
                'notes.txt: neither the plan nor one of its pictures',
                'pictures/gone.png: the plan names this picture, and the zip does not hold it',
            ],
            $read,
        );
        self::assertStringContainsString('no zip', self::text($this->bring('PK no')->assertUnprocessable()->json('errors.bundle.0')));
    }

    /** @return array{format: string, version: int, sheet: array<string, mixed>, palette: array<string, string>, values: object, steps: list<array<string, mixed>>} */
    private static function plan(string $source): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 400, 'height' => 200, 'unit' => 'px', 'background' => null],
            'palette' => ['ink' => '#1b2140'],
            'values' => (object) [],
            'steps' => [['id' => 'k1', 'kind' => 'picture', 'source' => $source, 'at' => [10, 20], 'width' => 200]],
        ];
    }

    private static function image(string $colour): string
    {
        $image = new \Imagick;
        $image->newImage(40, 30, $colour, 'png');

        return $image->getImageBlob();
    }

    /** @param  array<string, string>  $files */
    private static function zipped(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($files as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** @return TestResponse<Response> */
    private function bring(string $zip): TestResponse
    {
        return $this->post(
            '/api/bundles',
            ['bundle' => UploadedFile::fake()->createWithContent('plan.zip', $zip)],
            ['Accept' => 'application/json'],
        );
    }
}
