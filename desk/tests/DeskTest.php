<?php

declare(strict_types=1);

namespace Sternbild\Desk\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Handing\FileForm;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Plan\Asking;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Piece;
use Sternbild\Core\Plan\Reading\SheetProperties;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Tests\Sample;
use Sternbild\Desk\Desk;
use Sternbild\Desk\Family;
use Sternbild\Desk\FileWords;
use Sternbild\Desk\Help;
use Sternbild\Desk\Offer;

/** What the desk says of every kind of step has to hold, whichever kinds there are. */
final class DeskTest extends TestCase
{
    /** Only what comes by files is offered nowhere. */
    private const NOT_OFFERED = ['part.svg'];

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::all()->list() as $kind) {
            yield $kind->name() => [$kind];
        }
    }

    /** @return iterable<string, array{Kind, Offer}> */
    public static function groundOffers(): iterable
    {
        foreach (Kinds::all()->list() as $kind) {
            foreach (Desk::offers($kind) as $offer) {
                // What asks for a file comes with none.
                if (
                    $offer->from === 'ground' &&
                    array_filter($kind->fields(), static fn (Field $field): bool => $field->type() === 'source') === []
                ) {
                    yield $offer->label => [$kind, $offer];
                }
            }
        }
    }

    #[DataProvider('kinds')]
    public function test_offers_ask_for_take_and_replace_fields_that_there_are(Kind $kind): void
    {
        $names = array_map(static fn (Field $field): string => $field->name, $kind->fields());
        self::assertSame($names, array_unique($names));
        foreach (Desk::offers($kind) as $offer) {
            self::assertSame(
                [],
                array_diff([...$offer->asks, ...explode('+', $offer->takes ?? $names[0]), ...array_filter([$offer->replaces])], $names),
            );
            $outer = array_map(static fn (string $name): string => explode('.', $name)[0], $names);
            self::assertSame([], array_diff(array_keys($offer->preset), [...$outer, 'hidden']));
        }
        self::assertSame([], array_diff((new Desk)->askedFor($kind), $names));
        self::assertSame([], array_diff(array_keys(Desk::of($kind)?->pictures() ?? []), $names));
    }

    public function test_offers_that_stand_side_by_side_have_keys_of_their_own(): void
    {
        $taken = [];
        foreach (Kinds::all()->list() as $kind) {
            foreach (Desk::offers($kind) as $offer) {
                foreach (range($offer->least, min($offer->most, 12)) as $picked) {
                    foreach ($offer->fromCells && $picked === 1 ? [$offer->from, 'cells'] : [$offer->from] as $from) {
                        // With cells picked, two and three add to a part and take from it.
                        $place = "{$from}, $picked picked: {$offer->family->value} {$offer->key}";
                        self::assertArrayNotHasKey($place, $taken, "{$kind->name()} {$offer->label}");
                        $taken[$place] = true;
                        self::assertFalse($from === 'cells' && $offer->family === Family::Make && in_array($offer->key, [2, 3], true));
                    }
                }
            }
        }
        self::assertGreaterThan(100, count($taken));
    }

    #[DataProvider('kinds')]
    public function test_every_offer_is_found_by_five_everyday_words(Kind $kind): void
    {
        self::assertSame(in_array($kind->name(), self::NOT_OFFERED, true), Desk::of($kind) === null);
        self::assertSame(in_array($kind->name(), self::NOT_OFFERED, true), Desk::offers($kind) === []);
        foreach (Desk::offers($kind) as $offer) {
            $words = $offer->describe()['words'];
            self::assertIsArray($words);
            self::assertGreaterThanOrEqual(5, count(array_unique($words)), $offer->label);
            self::assertNotContains('', $words);
        }
    }

    #[DataProvider('groundOffers')]
    public function test_what_is_offered_for_the_ground_can_be_laid_as_it_is_on_any_sheet(Kind $kind, Offer $offer): void
    {
        foreach ([[800, 800, 'px'], [210, 297, 'mm'], [1600, 900, 'px'], [32, 32, 'px'], [0.5, 3, 'in']] as [$width, $height, $unit]) {
            $plan = [...Sample::plan([]), 'sheet' => ['width' => $width, 'height' => $height, 'unit' => $unit]];
            // What the interface works out before it is asked for.
            $pixel = max(1, floor(min($width, $height) / 32));
            $filled = [
                '{pixel}' => $pixel,
                '{pixels across}' => max(1, floor($width / $pixel)),
                '{pixels down}' => max(1, floor($height / $pixel)),
            ];
            $preset = array_map(static fn (mixed $value): mixed => is_string($value) ? $filled[$value] ?? $value : $value, $offer->preset);
            $edit = PlanEdit::apply($plan, [['op' => 'add', 'step' => ['kind' => $kind->name(), ...$preset]]], Kinds::all());
            $scene = Sample::scene($edit->plan());
            self::assertSame([], $scene->findings, "$width × $height $unit");
            $laid = array_values($scene->known)[0]->result;
            self::assertGreaterThan(1, $laid instanceof Grid ? $laid->cellCount() : count($laid instanceof Guide ? $laid->runs : []));
        }
    }

    #[DataProvider('groundOffers')]
    public function test_every_required_parameter_of_a_grid_stands_in_its_sentence(Kind $kind, Offer $offer): void
    {
        $step = Sample::scene(Sample::plan([['id' => 'g1', 'kind' => $kind->name(), ...$offer->preset]]))->plan->steps['g1'];
        preg_match_all('/\{([a-z.]+)\}/', $kind->sentence($step), $said);
        $names = array_map(static fn (Field $field): string => $field->name, $kind->fields());
        $required = array_map(
            static fn (Field $field): string => $field->name,
            array_filter($kind->fields(), static fn (Field $field): bool => $field->required),
        );
        self::assertSame([], array_diff($said[1], $names));
        self::assertSame([], array_diff($required, $said[1]));
    }

    public function test_there_is_no_desk_without_its_kind(): void
    {
        $desks = array_map(static fn (string $file): string => basename($file, '.php'), glob(__DIR__.'/../src/Kind/*.php') ?: []);
        $kinds = array_map(
            static fn (string $name): string => str_replace(' ', '', ucwords(str_replace('.', ' ', $name))),
            array_diff(Kinds::all()->names(), self::NOT_OFFERED),
        );
        self::assertEqualsCanonicalizing(array_values($kinds), $desks);
    }

    public function test_choices_are_shown_by_pictures_with_the_words_of_their_field(): void
    {
        $pattern = array_values(
            array_filter(Desk::describe(Kinds::all()), static fn (array $kind): bool => $kind['kind'] === 'pattern'),
        )[0];
        $fields = is_array($pattern['fields']) ? array_column($pattern['fields'], null, 'name') : [];
        self::assertCount(20, $fields['group']['choices']);
        foreach ($fields['group']['choices'] as $choice) {
            self::assertNotSame('', $choice['text']);
            self::assertMatchesRegularExpression('/^M-?[\d. ]+/', $choice['picture']);
        }
    }

    public function test_what_is_asked_for_is_said_in_the_sentence_also_where_it_is_as_usual(): void
    {
        $golden = ['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [300, 200], 'form' => 'squares', 'depth' => 4];
        $plan = Sample::plan([$golden]);
        $scene = Sample::scene($plan);
        $usual = static fn (?Asking $asking): array => array_values(
            array_filter(
                array_column(
                    array_filter(
                        Sentence::pieces($scene->plan->steps['g1'], $scene->plan, $scene->labels, [], $asking),
                        static fn (Piece $piece): bool => $piece->usual,
                    ),
                    'field',
                ),
            ),
        );
        self::assertSame([], $usual(null));
        self::assertNotSame([], $usual(new Desk));
        self::assertSame([], array_diff($usual(new Desk), (new Desk)->askedFor($scene->plan->steps['g1']->kind)));
    }

    public function test_every_form_of_handing_over_has_its_words_and_no_words_are_left_of_one_that_is_gone(): void
    {
        $names = array_map(static fn (FileForm $form): string => $form->name(), Forms::all());
        $said = array_keys(FileWords::OF);
        sort($names);
        sort($said);
        self::assertSame($names, $said);
        foreach (FileWords::OF as [$label, $says]) {
            self::assertNotSame('', $label);
            self::assertMatchesRegularExpression('/^\p{Lu}.+\.$/u', $says);
        }
    }

    public function test_every_field_there_is_says_how_it_is_given(): void
    {
        foreach (Kinds::all()->list() as $kind) {
            foreach ($kind->fields() as $field) {
                self::assertMatchesRegularExpression('/^.+: .+\.$/u', Help::for($field));
            }
        }
        foreach (SheetProperties::fields() as $field) {
            self::assertStringStartsWith(ucfirst($field->label).': ', Help::for($field));
        }
        foreach (Forms::all() as $form) {
            $of = new Handed([], 'sample', static fn (): Scene => Sample::scene(Sample::plan([])));
            foreach ($form->options($of) as $field) {
                self::assertStringEndsWith('.', Help::for($field));
            }
        }
    }
}
