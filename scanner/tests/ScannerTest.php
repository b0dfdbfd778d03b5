<?php

declare(strict_types=1);

namespace Sternbild\Scanner\Tests;

use PHPUnit\Framework\TestCase;
use Sternbild\Scanner\Lamp;
use Sternbild\Scanner\Panel;
use Sternbild\Scanner\State;
use Sternbild\Scanner\Tray;

/** The simulated scanner by itself; its lamp burns within the test, when the test lets it. */
final class ScannerTest extends TestCase
{
    private string $home;

    /** @var list<array{string, string}> scans that have begun: folder and id */
    private array $begun = [];

    protected function setUp(): void
    {
        $this->home = sys_get_temp_dir().'/scanner-'.bin2hex(random_bytes(6));
        mkdir($this->home);
    }

    protected function tearDown(): void
    {
        foreach (glob("$this->home/*/*") ?: [] as $file) {
            unlink($file);
        }
        array_map(rmdir(...), [...(glob("$this->home/*") ?: []), $this->home]);
    }

    public function test_a_sheet_is_read_to_its_end_in_the_size_that_was_asked_for(): void
    {
        $scan = $this->ask('POST', '/desks/a/scans', ['page' => 'lamp', 'resolution' => 100], 201);
        self::assertSame('scanning', $scan['state']);
        self::assertSame('not_ready', $this->ask('GET', "/desks/a/scans/$scan[id]/image", [], 409)['code']);
        $this->burn();
        $done = $this->ask('GET', "/desks/a/scans/$scan[id]");
        // 148 × 210 mm and 10 mm around them, at 100 dots per inch.
        self::assertSame(['done', 906, 906], [$done['state'], $done['lines'], $done['of']]);
        [$status, $file] = $this->panel()->answer('GET', "/desks/a/scans/$scan[id]/image");
        self::assertSame([200, [661, 906]], [$status, array_slice((array) getimagesize(is_string($file) ? $file : ''), 0, 2)]);
        $image = new \Imagick(is_string($file) ? $file : '');
        self::assertSame(['x' => 100.0, 'y' => 100.0], $image->getImageResolution());
        // Forgotten, it is gone.
        $this->ask('DELETE', "/desks/a/scans/$scan[id]");
        $this->ask('GET', "/desks/a/scans/$scan[id]", [], 404);
    }

    public function test_how_a_sheet_lies_and_is_lit_hangs_on_the_seed(): void
    {
        $read = static fn (int $seed): string => implode('', iterator_to_array((new Lamp((new Tray)->page('waves'), 100, $seed))->lines()));
        self::assertSame($read(3), $read(3));
        self::assertNotSame($read(3), $read(4));
    }

    /** The sheet is dark around, brighter in the one place than in the other, askew, and never quite even. */
    public function test_it_scans_with_skew_uneven_light_and_grain(): void
    {
        foreach (range(1, 6) as $seed) {
            $lamp = new Lamp((new Tray)->page('lamp'), 100, $seed);
            $lines = iterator_to_array($lamp->lines());
            self::assertCount($lamp->high, $lines);
            self::assertGreaterThan(0.4, abs($lamp->skew));
            self::assertLessThan(2.5, abs($lamp->skew));
            $grey = static fn (int $x, int $y): int => ord($lines[$y][$x]);
            self::assertLessThan(90, $grey(3, 3), 'The bed.');
            // Where the left edge of the sheet runs, in two lines.
            $edge = static function (int $y) use ($lines): int {
                for ($x = 0; ord($lines[$y][$x]) < 120; $x++);

                return $x;
            };
            $skew = rad2deg(atan(($edge(200) - $edge(700)) / 500));
            self::assertEqualsWithDelta($lamp->skew, $skew, 0.35, "seed $seed");
            // Empty paper to the left and to the right of the drawing.
            $mean = static fn (int $x, int $y): float => array_sum(
                array_map(static fn (int $k): int => $grey($x + ($k % 12), $y + intdiv($k, 12)), range(0, 143)),
            ) / 144;
            $light = [$mean(75, 100), $mean(75, 780), $mean(560, 100), $mean(560, 780)];
            self::assertGreaterThan(8.0, max($light) - min($light), "seed $seed");
            $here = $mean(75, 100);
            $spread = sqrt(
                array_sum(
                    array_map(static fn (int $k): float => ($grey(75 + ($k % 12), 100 + intdiv($k, 12)) - $here) ** 2, range(0, 143)),
                ) / 144,
            );
            self::assertGreaterThan(2.0, $spread);
            self::assertLessThan(8.0, $spread);
        }
    }

    public function test_it_jams_where_it_was_told_to_and_goes_on_once_the_sheet_is_out(): void
    {
        $this->ask('PUT', '/desks/a/feed', ['jam' => true, 'at' => 0.4]);
        $scan = $this->scan();
        $this->burn();
        $jammed = $this->ask('GET', "/desks/a/scans/$scan");
        self::assertSame('jammed', $jammed['state']);
        self::assertEqualsWithDelta(0.4, $jammed['lines'] / $jammed['of'], 0.04);
        self::assertSame('jammed', $this->ask('POST', '/desks/a/scans', ['page' => 'lamp', 'resolution' => 100], 409)['code']);
        $this->ask('PUT', '/desks/a/feed', ['jam' => false]);
        $scan = $this->scan();
        $this->burn();
        self::assertSame('done', $this->ask('GET', "/desks/a/scans/$scan")['state']);
    }

    public function test_an_open_cover_ends_a_scan_and_none_begins_until_it_is_closed(): void
    {
        $scan = $this->scan();
        $this->ask('PUT', '/desks/a/cover', ['open' => true]);
        $this->burn();
        $ended = $this->ask('GET', "/desks/a/scans/$scan");
        self::assertSame('cover_open', $ended['state']);
        self::assertStringContainsString('Close it', $ended['message']);
        self::assertSame('cover_open', $this->ask('POST', '/desks/a/scans', ['page' => 'lamp', 'resolution' => 100], 409)['code']);
        self::assertSame('ready', $this->ask('PUT', '/desks/a/cover', ['open' => false])['state']);
    }

    public function test_a_scan_that_was_cancelled_or_overtaken_leaves_no_picture(): void
    {
        $scan = $this->scan();
        $this->ask('DELETE', "/desks/a/scans/$scan");
        $next = $this->scan();
        $this->burn();
        $this->ask('GET', "/desks/a/scans/$scan", [], 404);
        self::assertSame('done', $this->ask('GET', "/desks/a/scans/$next")['state']);
        self::assertCount(1, glob("$this->home/a/image*") ?: []);
    }

    public function test_a_lamp_that_went_out_is_told_and_another_scan_can_begin(): void
    {
        $scan = $this->scan();
        touch("$this->home/a/lines", time() - 11);
        $failed = $this->ask('GET', "/desks/a/scans/$scan");
        self::assertSame(['failed', 'The scanner stopped in the middle of the sheet. Scan again.'], [$failed['state'], $failed['message']]);
        self::assertSame('ready', $this->ask('GET', '/desks/a')['state']);
        $this->scan();
    }

    public function test_one_scan_at_a_time_on_a_desk_and_two_in_all(): void
    {
        $this->scan('a');
        self::assertSame('busy', $this->ask('POST', '/desks/a/scans', ['page' => 'lamp', 'resolution' => 100], 409)['code']);
        $this->scan('b');
        self::assertSame('busy', $this->ask('POST', '/desks/c/scans', ['page' => 'lamp', 'resolution' => 100], 409)['code']);
        $this->burn();
        $this->scan('c');
        self::assertSame('ready', $this->ask('GET', '/desks/a')['state'], 'What happens on one desk is no matter on another.');
    }

    public function test_what_it_does_not_understand_names_the_field(): void
    {
        foreach (
            [
                ['POST', '/desks/a/scans', ['page' => 'lamp'], 'resolution'],
                ['POST', '/desks/a/scans', ['page' => 'lamp', 'resolution' => 42], 'resolution'],
                ['POST', '/desks/a/scans', ['page' => '../lamp', 'resolution' => 100], 'page'],
                ['PUT', '/desks/a/cover', [], 'open'],
                ['PUT', '/desks/a/feed', ['jam' => 'yes'], 'jam'],
                ['PUT', '/desks/a/feed', ['jam' => true, 'at' => 2], 'at'],
                ['PUT', '/desks/a/feed', ['jam' => true, 'at' => 'half'], 'at'],
                ['GET', '/desks/a/pages/passwd', [], 'page'],
            ] as [$method, $path, $said, $field]
        ) {
            self::assertSame($field, $this->ask($method, $path, $said, 422)['field'], "$method $path");
        }
        self::assertSame([422, 'body'], [($said = $this->panel()->answer('PUT', '/desks/a/cover', '{'))[0], $said[1]['field'] ?? null]);
        foreach (['/desks/..', '/desks/A', '/nothing', '/desks/a/scans/abc/more', '/desks/'.str_repeat('a', 65)] as $path) {
            self::assertSame('unknown', $this->ask('GET', $path, [], 404)['code'], $path);
        }
        self::assertSame([200, ['state' => 'up']], $this->panel()->answer('GET', '/up'));
    }

    private function scan(string $desk = 'a'): string
    {
        return $this->ask('POST', "/desks/$desk/scans", ['page' => 'clock', 'resolution' => 100, 'seed' => 9], 201)['id'];
    }

    /** Lets all lamps burn that were lit. */
    private function burn(): void
    {
        foreach ($this->begun as [$folder, $id]) {
            Lamp::read($folder, $id, new Tray);
        }
        $this->begun = [];
    }

    private function panel(): Panel
    {
        return new Panel($this->home, new Tray, function (string $folder, string $id): void {
            self::assertSame($id, State::read($folder)->scan?->id);
            $this->begun[] = [$folder, $id];
        });
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private function ask(string $method, string $path, array $said = [], int $expected = 200): array
    {
        [$status, $told] = $this->panel()->answer($method, $path, $said === [] ? '' : json_encode($said, JSON_THROW_ON_ERROR));
        self::assertIsArray($told);
        self::assertSame($expected, $status, $told['message'] ?? '');

        return $told;
    }
}
