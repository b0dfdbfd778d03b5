<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\PlanSchema;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Tests\Sample;

final class CommandLineTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/sternbild-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    public function test_scene_prints_the_figures(): void
    {
        [$status, $out] = $this->sternbild(['scene', '-'], json_encode(Sample::rosette(), JSON_THROW_ON_ERROR));
        self::assertSame(0, $status);
        $scene = json_decode($out, true, 16, JSON_THROW_ON_ERROR);
        self::assertSame(
            ['grids', 'guides', 'overlays', 'parts', 'weaves', 'patterns', 'paints', 'measures', 'drawing', 'findings'],
            array_keys($scene),
        );
        self::assertSame(['grid.polar', 50, 51, 100], array_slice(array_values($scene['grids']['g1']), 0, 4));
        self::assertSame(
            [10, 0, 40, true],
            [
                $scene['parts']['r1']['pieces'],
                $scene['parts']['r1']['holes'],
                $scene['parts']['r1']['nodes'],
                $scene['parts']['r1']['drawn'],
            ],
        );
        self::assertFalse($scene['parts']['p1']['drawn']);
    }

    public function test_check_prints_findings_a_line_each_and_says_so_by_its_status(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][0]['radius'] = -1;
        [$status, $out] = $this->sternbild(['check', '-'], json_encode($plan, JSON_THROW_ON_ERROR));
        self::assertSame(1, $status);
        self::assertStringContainsString('error g1 radius: Grid 1: radius must be more than 0; it is -1', $out);
        self::assertCount(4, explode("\n", trim($out)));
    }

    public function test_an_unusable_plan_is_told_with_its_pointer(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][1]['kind'] = 'part.spline';
        [$status, $out, $errors] = $this->sternbild(['scene', '-'], json_encode($plan, JSON_THROW_ON_ERROR));
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('/steps/1/kind: expected one of grid.polar', $errors);
    }

    public function test_what_cannot_be_done_ends_with_2_and_a_reason(): void
    {
        foreach ([[], ['draw', '-'], ['scene'], ['scene', '/nowhere.json'], ['scene', '-', '--loud']] as $words) {
            [$status, , $errors] = $this->sternbild($words, '{}');
            self::assertSame(2, $status);
            self::assertNotSame('', $errors);
        }
    }

    public function test_render_writes_svg_png_and_pdf(): void
    {
        $plan = json_encode(Sample::rosette(), JSON_THROW_ON_ERROR);
        foreach (['svg' => '<svg ', 'png' => "\x89PNG", 'pdf' => '%PDF-'] as $ending => $beginning) {
            [$status, , $errors] = $this->sternbild(['render', '-', "$this->folder/out.$ending", '--scale', '0.5'], $plan);
            self::assertSame([0, ''], [$status, $errors]);
            self::assertStringStartsWith($beginning, (string) file_get_contents("$this->folder/out.$ending"));
        }
        self::assertSame([400, 400], array_slice(getimagesize("$this->folder/out.png") ?: [], 0, 2));
        [$status, , $errors] = $this->sternbild(['render', '-', "$this->folder/out.png", '--scale', '1000'], $plan);
        self::assertSame(2, $status);
        self::assertStringContainsString('--scale', $errors);
    }

    public function test_a_millimetre_on_paper_is_a_millimetre(): void
    {
        $plan = Sample::rosette();
        $plan['sheet'] = ['width' => 254, 'height' => 127, 'unit' => 'mm'];
        $this->sternbild(['render', '-', "$this->folder/out.png"], json_encode($plan, JSON_THROW_ON_ERROR));
        // 96 px = 1 in = 25.4 mm (CSS Values and Units)
        self::assertSame([960, 480], array_slice(getimagesize("$this->folder/out.png") ?: [], 0, 2));
    }

    public function test_the_published_schema_is_what_the_kinds_declare(): void
    {
        $published = json_decode((string) file_get_contents(__DIR__.'/../../resources/plan.schema.json'), true, 64, JSON_THROW_ON_ERROR);
        $declared = json_decode(json_encode(PlanSchema::document(Kinds::all()), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
        self::assertSame($declared, $published, 'Write it anew: core/bin/sternbild schema > core/resources/plan.schema.json');
    }

    /**
     * @param  list<string>  $words
     * @return array{int, string, string} status, output, errors
     */
    private function sternbild(array $words, string $input): array
    {
        $process = proc_open(
            [PHP_BINARY, __DIR__.'/../../bin/sternbild', ...$words],
            [['pipe', 'r'], ['file', "$this->folder/stdout", 'w'], ['file', "$this->folder/stderr", 'w']],
            $pipes,
        );
        self::assertNotFalse($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $status = proc_close($process);

        return [$status, (string) file_get_contents("$this->folder/stdout"), (string) file_get_contents("$this->folder/stderr")];
    }

    public function test_vary_writes_plans_into_a_folder_the_same_for_a_seed(): void
    {
        $plan = json_encode(Sample::rosette(), JSON_THROW_ON_ERROR);
        [$status] = $this->sternbild(['vary', '-', $this->folder, '--seed', '7', '--count=3'], $plan);
        self::assertSame(0, $status);
        $files = glob("$this->folder/*.json") ?: [];
        self::assertSame(['01.json', '02.json', '03.json'], array_map(basename(...), $files));
        $first = (string) file_get_contents($files[0]);
        [$checked] = $this->sternbild(['check', $files[0]], '');
        self::assertSame(0, $checked);
        $this->sternbild(['vary', '-', $this->folder, '--seed=7', '--count', '1'], $plan);
        self::assertSame($first, file_get_contents($files[0]));
        [$refused, , $errors] = $this->sternbild(['vary', '-', $this->folder, '--count', '0'], $plan);
        self::assertSame(2, $refused);
        self::assertStringContainsString('--count must be a whole number from 1 to 100', $errors);
    }
}
