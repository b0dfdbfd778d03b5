<?php

namespace Tests\Feature;

use App\Models\Picture;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The scanner as the application asks it: the simulated one runs beside the tests, and each person has one of their own. */
final class ScannerTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }

    public function test_a_sketch_is_scanned_and_becomes_a_picture_of_the_one_who_scanned_it(): void
    {
        $this->actingAs($this->person());
        $scanner = $this->getJson('/api/scanner')->assertOk()->assertJsonPath('state', 'ready')->json();
        self::assertContains('lamp', array_column($scanner['tray'], 'page'));
        $this->get('/api/scanner/pages/lamp')->assertOk()->assertHeader('Content-Type', 'image/svg+xml');

        $scan = $this->postJson('/api/scanner/scans', ['page' => 'lamp', 'resolution' => 100])
            ->assertCreated()
            ->assertJsonPath('state', 'scanning')
            ->json('id');
        $this->postJson('/api/scanner/scans', ['page' => 'lamp', 'resolution' => 100])
            ->assertConflict()
            ->assertJsonPath('message', 'The scanner is at work on another sheet.');
        $this->postJson("/api/scanner/scans/$scan/picture", ['within' => [800, 800]])->assertConflict();
        $shares = $this->progressOf($scan);
        self::assertSame('done', end($shares)['state']);
        self::assertSame(end($shares)['of'], end($shares)['lines']);
        $lines = array_column($shares, 'lines');
        $sorted = $lines;
        sort($sorted);
        self::assertSame($sorted, $lines, 'It goes forward.');

        $keep = fn (array $how): TestResponse => $this->postJson("/api/scanner/scans/$scan/picture", $how);
        $kept = $keep(['straighten' => true, 'within' => [800, 800]])->assertCreated()->assertJsonPath('straight', true)->json();
        // 168 by 230 mm at 100 dots per inch: A5, and 10 mm around it.
        self::assertSame([661, 906], [$kept['picture']['width'], $kept['picture']['height']]);
        // The sheet as it lies there: 148 by 210 mm.
        $corners = $kept['step']['corners'];
        $side = static fn (int $from, int $to): float => (hypot(
            $corners[$to][0] - $corners[$from][0],
            $corners[$to][1] - $corners[$from][1],
        ) *
            25.4) /
            100;
        self::assertEqualsWithDelta([148.0, 210.0, 148.0, 210.0], [$side(0, 1), $side(1, 2), $side(2, 3), $side(3, 0)], 1.0);
        // Placed as it says, nothing is found fault with, and the sheet of paper fills the sheet from top to bottom.
        $sheet = $this->sheet([...self::rosette(), 'steps' => [['id' => 'k1', 'kind' => 'picture', ...$kept['step']]]]);
        $scene = $this->getJson("/api/sheets/$sheet->id")->assertOk()->json('scene');
        self::assertSame([], $scene['findings']);
        self::assertEqualsWithDelta([(800 - $kept['step']['width']) / 2, 0.0], $kept['step']['at'], 0.06);
        self::assertEqualsWithDelta(800 * 148 / 210, $kept['step']['width'], 4.0);
        // As it was scanned, if that is wanted: 168 by 230 mm, wider than high is the sheet.
        $step = $keep(['within' => [900, 300]])->assertCreated()->assertJsonPath('straight', false)->json('step');
        self::assertArrayNotHasKey('corners', $step);
        self::assertEqualsWithDelta(300 * 168 / 230, $step['width'], 0.5);
        $keep(['within' => [0, 'wide']])->assertUnprocessable()->assertJsonValidationErrors(['within.0', 'within.1']);

        $this->actingAs($this->person('bo@sternbild.test'));
        $this->getJson("/api/scanner/scans/$scan")->assertNotFound();
        $this->postJson("/api/scanner/scans/$scan/picture", ['within' => [800, 800]])->assertNotFound();
        self::assertSame(1, Picture::query()->count());
    }

    public function test_faults_say_what_helps_and_once_helped_it_goes_on(): void
    {
        $this->actingAs($this->person());
        $begin = fn () => $this->postJson('/api/scanner/scans', ['page' => 'clock', 'resolution' => 150]);
        $this->putJson('/api/scanner/cover', ['open' => true])
            ->assertOk()
            ->assertJsonPath('state', 'cover_open');
        $begin()
            ->assertConflict()
            ->assertJsonPath('problem', 'scanner')
            ->assertJsonPath('message', 'The cover is open. Close it, and scan again.');
        $this->putJson('/api/scanner/cover', ['open' => false])
            ->assertOk()
            ->assertJsonPath('state', 'ready');

        $this->putJson('/api/scanner/feed', ['jam' => true, 'at' => 0.3])->assertOk()->assertJsonPath('feed', 'jams');
        $scan = $begin()->assertCreated()->json('id');
        $shares = $this->progressOf($scan);
        $last = end($shares);
        self::assertSame('jammed', $last['state']);
        self::assertStringContainsString('Take it out', $last['message']);
        self::assertEqualsWithDelta(0.3, $last['lines'] / $last['of'], 0.05);
        $this->postJson("/api/scanner/scans/$scan/picture", ['within' => [800, 800]])->assertConflict();
        $begin()->assertConflict()->assertJsonPath('message', 'A sheet is jammed in the feed. Take it out, and scan again.');
        $this->putJson('/api/scanner/feed', ['jam' => false])->assertOk()->assertJsonPath('state', 'ready');
        $scan = $begin()->assertCreated()->json('id');
        $this->deleteJson("/api/scanner/scans/$scan")
            ->assertOk()
            ->assertJsonPath('scan.state', 'cancelled')
            ->assertJsonPath('state', 'ready');
        self::assertSame(0, Picture::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        yield 'no sheet' => [['resolution' => 100], 'page', 'Expected a name.'];
        yield 'another sheet' => [
            ['page' => '../lamp', 'resolution' => 100],
            'page',
            'Expected the name of a sheet in the tray: clock, heron, lamp, waves.',
        ];
        yield 'too fine' => [['page' => 'lamp', 'resolution' => 12000], 'resolution', 'Expected 100, 150, 200, 300 dots per inch.'];
        yield 'no number' => [['page' => 'lamp', 'resolution' => 'fine'], 'resolution', 'Expected a whole number.'];
    }

    /** @param  array<string, mixed>  $wanted */
    #[DataProvider('wrong')]
    public function test_what_it_cannot_scan_names_the_field_and_what_was_expected(array $wanted, string $field, string $message): void
    {
        $this->actingAs($this->person());
        $this->postJson('/api/scanner/scans', $wanted)->assertUnprocessable()->assertJsonPath("errors.$field.0", $message);
    }

    public function test_a_scanner_that_is_away_or_talks_nonsense_is_told_and_nothing_is_kept(): void
    {
        $this->actingAs($this->person());
        config()->set('sternbild.scanner', 'http://127.0.0.1:9');
        $this->getJson('/api/scanner')
            ->assertStatus(503)
            ->assertJsonPath('message', 'The scanner does not answer. See that it is switched on, and try again.');
        Http::fake(['*/image' => Http::response('no picture'), '*' => Http::response('<html>')]);
        $this->getJson('/api/scanner')->assertStatus(503);
        $this->postJson('/api/scanner/scans/0123456789abcdef/picture', ['within' => [800, 800]])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('scan');
        self::assertSame(0, Picture::query()->count());
    }

    /** @return non-empty-list<array<string, mixed>> what it said from the beginning to its end */
    private function progressOf(string $scan): array
    {
        $until = microtime(true) + 30;
        $said = [];
        do {
            $said[] = $this->getJson("/api/scanner/scans/$scan")->assertOk()->json();
            self::assertLessThan($until, microtime(true), 'The scan does not come to an end.');
        } while (end($said)['state'] === 'scanning');

        return $said;
    }
}
