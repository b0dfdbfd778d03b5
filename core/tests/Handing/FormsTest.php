<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Handing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PngChunks;
use Sternbild\Core\Handing\Estimate;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\Meanwhile;
use Sternbild\Core\Handing\Unwatched;
use Sternbild\Core\Handing\WrongOptions;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;

/** Forms in which a sheet is handed over: what each declares holds, and what it writes is what its name says. */
final class FormsTest extends TestCase
{
    /** What files begin with: SVG and JSON are text; PNG, PDF and ZIP by their specifications. */
    private const BEGIN = ['svg' => '<', 'png' => PngChunks::SIGNATURE, 'pdf' => '%PDF-', 'zip' => "PK\x03\x04", 'json' => '{'];

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (array_keys(Forms::all()) as $name) {
            yield $name => [$name];
        }
    }

    public function test_there_are_ten(): void
    {
        self::assertSame(['svg', 'png', 'pdf', 'set', 'tile', 'pixels', 'frames', 'plan', 'tokens', 'strip'], array_keys(Forms::all()));
    }

    #[DataProvider('names')]
    public function test_it_writes_what_it_says_with_every_choice_that_it_offers(string $name): void
    {
        $form = Forms::all()[$name];
        $of = self::handed();
        self::assertTrue($form->suits($of));
        $ways = [[]];
        foreach ($form->options($of) as $field) {
            foreach ($field->type() === 'choice' && is_array($field->traits()['choices']) ? $field->traits()['choices'] : [] as $choice) {
                $ways[] = [$field->name => is_array($choice) ? $choice['value'] : null];
            }
        }
        foreach ($ways as $given) {
            $asked = $form->asked($of, $given);
            self::assertInstanceOf(Estimate::class, $form->estimate($of, $asked));
            $path = (string) tempnam(sys_get_temp_dir(), 'form');
            $form->write($of, $asked, $path, new Unwatched);
            $ending = pathinfo('x.'.$form->ending($asked), PATHINFO_EXTENSION);
            self::assertStringStartsWith(self::BEGIN[$ending], (string) file_get_contents($path), json_encode($given, JSON_THROW_ON_ERROR));
            self::assertNotSame('application/octet-stream', $form::type($ending));
            unlink($path);
        }
    }

    #[DataProvider('names')]
    public function test_what_it_does_not_know_is_refused_by_name(string $name): void
    {
        $form = Forms::all()[$name];
        $of = self::handed();
        $unfit = ['choice' => 'nought', 'switch' => 'perhaps', 'number' => -1, 'many' => ['nought'], 'sizes' => [0]];
        foreach ($form->options($of) as $field) {
            self::assertSame(
                [$field->name],
                array_keys(self::wrong(static fn (): array => $form->asked($of, [$field->name => $unfit[$field->type()]]))),
                $field->name,
            );
        }
        self::assertSame(['gilt'], array_keys(self::wrong(static fn (): array => $form->asked($of, ['gilt' => true]))));
    }

    public function test_a_sheet_of_nothing_is_offered_what_it_has(): void
    {
        $of = self::handed([], []);
        self::assertSame(
            ['svg', 'png', 'pdf', 'set', 'plan'],
            array_keys(array_filter(Forms::all(), static fn ($form): bool => $form->suits($of))),
        );
        self::assertSame(['format'], array_keys(self::wrong(static fn () => Forms::named('gif'))));
    }

    public function test_the_palette_goes_as_tokens_and_as_a_strip(): void
    {
        $of = self::handed([], ['night blue' => '#1b2140', 'sand' => '#E9E0CF']);
        $tokens = json_decode(self::written('tokens', $of), true, 16, JSON_THROW_ON_ERROR);
        // Components of a colour are shares (Design Tokens Color Module).
        self::assertSame(
            [
                '$type' => 'color',
                'night blue' => [
                    '$value' => ['colorSpace' => 'srgb', 'components' => [0.105882, 0.129412, 0.25098], 'alpha' => 1, 'hex' => '#1b2140'],
                ],
            ],
            array_slice($tokens, 0, 2),
        );
        $strip = imagecreatefromstring(self::written('strip', $of));
        self::assertInstanceOf(\GdImage::class, $strip);
        self::assertSame(
            [2, 1, 0x1B2140, 0xE9E0CF],
            [imagesx($strip), imagesy($strip), imagecolorat($strip, 0, 0), imagecolorat($strip, 1, 0)],
        );
    }

    public function test_pictures_that_would_be_too_large_are_refused_by_the_option_that_makes_them_so(): void
    {
        $of = self::handed();
        $estimate = static function (string $name, array $given) use (&$of): array {
            $form = Forms::all()[$name];

            return self::wrong(static fn (): Estimate => $form->estimate($of, $form->asked($of, $given)));
        };
        self::assertStringContainsString('at most 10,000', $estimate('png', ['scale' => 50])['scale']);
        self::assertArrayHasKey('scale', $estimate('pixels', ['scale' => 9000]));
        self::assertSame([], $estimate('set', ['sizes' => range(1, 8), 'chapters' => ['p1', 'p2']]));
        $disc = static fn (int $k): array => ['id' => "p$k", 'kind' => 'part.circle', 'center' => [10 * $k, 300], 'radius' => 4];
        $many = array_map($disc, range(1, 8));
        $of = self::handed($many, chapters: array_map(static fn (array $one): array => ['name' => 'Disc', 'from' => $one['id']], $many));
        $asked = ['sizes' => range(1, 8), 'chapters' => array_column($many, 'id')];
        self::assertStringContainsString('64 pictures', $estimate('set', $asked)['sizes']);
    }

    public function test_a_tile_of_broken_pixels_tells_the_sizes_that_are_exact(): void
    {
        $of = self::handed();
        $form = Forms::all()['tile'];
        $estimate = $form->estimate($of, $form->asked($of, ['as' => 'png', 'width' => 41]));
        self::assertStringContainsString('stretched by', $estimate->told[0]);
        foreach ($estimate->instead as $instead) {
            self::assertStringContainsString(
                'exact.',
                $form->estimate($of, $form->asked($of, ['as' => 'png', ...$instead['options']]))->told[0],
            );
        }
        self::assertNotSame([], $estimate->instead);
    }

    public function test_what_is_proposed_are_options_that_it_has(): void
    {
        $of = self::handed();
        foreach (Forms::all() as $form) {
            self::assertSame([], self::wrong(static fn (): array => $form->asked($of, $form->proposed($of))), $form->name());
        }
        self::assertSame(['chapters' => ['p1', 'p2']], Forms::all()['set']->proposed($of));
    }

    public function test_a_set_tells_how_far_it_is(): void
    {
        $of = self::handed();
        $form = Forms::all()['set'];
        $heard = new class implements Meanwhile
        {
            /** @var list<int> */
            public array $made = [];

            public int $pieces = 0;

            public function pieces(int $pieces): void
            {
                $this->pieces = $pieces;
            }

            public function made(int $pieces): void
            {
                $this->made[] = $pieces;
            }

            public function goesOn(): void
            {
            }
        };
        $path = (string) tempnam(sys_get_temp_dir(), 'set');
        $form->write($of, $form->asked($of, ['chapters' => ['p1', 'p2'], 'sizes' => [16, 32], 'formats' => ['svg']]), $path, $heard);
        self::assertSame([4, [1, 2, 3, 4]], [$heard->pieces, $heard->made]);
        $zip = new \ZipArchive;
        $zip->open($path);
        self::assertSame(
            ['discs-16.svg', 'discs-32.svg', 'discs-2-16.svg', 'discs-2-32.svg'],
            array_map(static fn (int $k): string => (string) $zip->getNameIndex($k), range(0, 3)),
        );
        unlink($path);
    }

    private static function written(string $name, Handed $of): string
    {
        $form = Forms::all()[$name];
        $path = (string) tempnam(sys_get_temp_dir(), 'form');
        $form->write($of, $form->asked($of, []), $path, new Unwatched);
        $content = (string) file_get_contents($path);
        unlink($path);

        return $content;
    }

    /**
     * @param  \Closure(): mixed  $ask
     * @return array<string, string>
     */
    private static function wrong(\Closure $ask): array
    {
        try {
            $ask();
        } catch (WrongOptions $fault) {
            return $fault->wrong;
        }

        return [];
    }

    /**
     * @param  list<array<string, mixed>>|null  $steps
     * @param  array<string, string>  $palette
     * @param  list<array{name: string, from: string}>|null  $chapters
     */
    private static function handed(
        ?array $steps = null,
        array $palette = ['ink' => '#1b2140', 'sand' => '#e9e0cf'],
        ?array $chapters = null,
    ): Handed {
        $disc = static fn (string $id, float $x): array => ['id' => $id, 'kind' => 'part.circle', 'center' => [$x, 300], 'radius' => 40];
        $steps ??= [
            $disc('p1', 100),
            $disc('p2', 300),
            ['id' => 'p3', 'kind' => 'part.rectangle', 'origin' => [400, 400], 'size' => [12, 12]],
            [
                'id' => 'w1',
                'kind' => 'pattern',
                'of' => ['p3'],
                'origin' => [400, 400],
                'a' => [40, 0],
                'b' => [0, 30],
                'across' => 3,
                'down' => 3,
            ],
            ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 16, 'rows' => 8, 'cell' => 4],
            ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '2,2 3,2', 'sand' => '10,3']],
            ['id' => 'f1', 'kind' => 'frames', 'on' => 'g1', 'size' => [8, 8], 'count' => 2],
        ];
        $plan = [
            ...Sample::plan($steps),
            'palette' => $palette,
            'chapters' => $chapters ?? ($steps === [] ? [] : [['name' => 'Discs', 'from' => 'p1'], ['name' => 'Discs', 'from' => 'p2']]),
        ];

        return new Handed(
            $plan,
            'sample',
            static fn (): Scene => (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray($plan)),
            static fn (string $path) => self::packed($path),
        );
    }

    private static function packed(string $path): void
    {
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
        $zip->addFromString('plan.json', '{}');
        $zip->close();
    }
}
