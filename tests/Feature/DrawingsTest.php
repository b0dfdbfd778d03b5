<?php

namespace Tests\Feature;

use App\Models\Picture;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** SVG files that people bring in. */
final class DrawingsTest extends TestCase
{
    private const MARK = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 200 100"><circle cx="100" cy="50" r="40" fill="#0F6E84"/><rect width="20" height="10" fill="#d0683f"/><text>K</text></svg>';

    public function test_a_drawing_is_read_as_a_plan_of_its_own(): void
    {
        $this->actingAs($this->person());
        $read = $this->bring('/api/drawings', self::MARK)->assertOk()->json();
        self::assertSame(['width' => 100, 'height' => 50, 'unit' => 'mm', 'background' => null], $read['plan']['sheet']);
        self::assertSame(['text, line 1: text “K” has to be outlined first'], $read['left']);
        $this->postJson('/api/sheets', ['name' => 'Mark', 'plan' => json_encode($read['plan'], JSON_THROW_ON_ERROR)])->assertCreated();
    }

    public function test_steps_for_a_sheet_lie_in_its_unit_and_take_colours_that_it_has(): void
    {
        Storage::fake();
        $person = $this->person();
        $this->actingAs($person);
        $sheet = $this->sheet([
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 400, 'height' => 400, 'unit' => 'px', 'background' => null],
            'palette' => ['lagoon' => '#0f6e84', 'colour 1' => '#111111'],
            'values' => (object) [],
            'steps' => [],
        ]);
        $parts = $this->bring("/api/sheets/$sheet->id/drawings", self::MARK)
            ->assertOk()
            ->json();
        // 100 mm are 377.95 px, 96 to an inch.
        self::assertEqualsWithDelta(
            [(50 * 96) / 25.4, (25 * 96) / 25.4, (20 * 96) / 25.4],
            [...$parts['steps'][0]['center'], $parts['steps'][0]['radius']],
            1e-4,
        );
        self::assertSame(['colour 2' => '#d0683f'], $parts['palette']);
        self::assertSame(['lagoon', 'colour 2'], array_column(array_slice($parts['steps'], 2), 'fill'));
        $motif = $this->bring("/api/sheets/$sheet->id/drawings", self::MARK, 'motif')->assertOk()->json('steps');
        self::assertSame(['motif', 'place'], array_column(array_slice($motif, -2), 'kind'));
        $picture = $this->bring("/api/sheets/$sheet->id/drawings", self::MARK, 'picture')->assertOk()->json('steps');
        self::assertSame(['picture'], array_column($picture, 'kind'));
        self::assertEqualsWithDelta([2000, 1000], [Picture::query()->sole()->width, Picture::query()->sole()->height], 1);
        // Nothing has changed by all that.
        self::assertSame(1, $sheet->refresh()->head);
        $this->postJson("/api/sheets/$sheet->id/changes", [
            'base' => 1,
            'change' => (string) Str::uuid(),
            'operations' => [['op' => 'lay', 'name' => 'a drawing', 'steps' => $motif, 'palette' => $parts['palette']]],
        ])->assertSuccessful();
        self::assertCount(6, (array) ($sheet->refresh()->headRevision()->plan['steps'] ?? []));
    }

    public function test_what_is_no_drawing_says_why_and_strangers_find_no_sheet(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet([
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 400, 'height' => 400, 'unit' => 'px', 'background' => null],
            'palette' => (object) [],
            'values' => (object) [],
            'steps' => [],
        ]);
        $those = ['{}' => 'no SVG', '<html/>' => 'called “html”', '<!DOCTYPE a [<!ENTITY b "c">]><svg/>' => 'entities', '' => 'SVG'];
        foreach ($those as $text => $said) {
            self::assertStringContainsString(
                $said,
                self::text(
                    $this->bring("/api/sheets/$sheet->id/drawings", $text)
                        ->assertUnprocessable()
                        ->json('errors.drawing.0'),
                ),
            );
        }
        $this->bring("/api/sheets/$sheet->id/drawings", self::MARK, 'sculpture')
            ->assertUnprocessable()
            ->assertJsonPath('errors.as.0', 'Expected parts, motif or picture.');
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->bring("/api/sheets/$sheet->id/drawings", self::MARK)->assertNotFound();
    }

    /** @return TestResponse<Response> */
    private function bring(string $path, string $svg, ?string $as = null): TestResponse
    {
        return $this->post(
            $path,
            ['drawing' => UploadedFile::fake()->createWithContent('mark.svg', $svg), ...$as === null ? [] : ['as' => $as]],
            ['Accept' => 'application/json'],
        );
    }
}
