<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

final class ColoursTest extends TestCase
{
    public function test_colours_that_are_hardly_told_apart_are_found_and_made_one(): void
    {
        $plan = self::plan(
            ['ink' => '#1b2140', 'night' => '#1c2241', 'lamp' => '#f2b33d'],
            ['ink' => '1,1', 'night' => '5,5', 'lamp' => '8,8'],
        );
        $found = self::found($plan, 'alike-colours');
        self::assertCount(1, $found);
        self::assertStringContainsString('ink and night are hardly told apart', $found[0]->message);
        $mended = PlanEdit::apply($plan, $found[0]->remedy->operations ?? [], Kinds::all())->plan();
        self::assertSame([], self::found($mended, 'alike-colours'));
        self::assertSame(['ink' => '1,1 5,5', 'lamp' => '8,8'], $mended['steps'][1]['cells']);
        // One that is not drawn is told apart from nothing.
        self::assertSame([], self::found(self::plan(['ink' => '#1b2140', 'night' => '#1c2241'], ['ink' => '1,1']), 'alike-colours'));
        self::assertSame(
            [],
            self::found(self::plan(['ink' => '#1b2140', 'night' => '#2c3351'], ['ink' => '1,1', 'night' => '5,5']), 'alike-colours'),
        );
    }

    public function test_a_sheet_is_held_to_so_many_colours_or_to_its_palette(): void
    {
        $plan = self::plan(['ink' => '#1b2140', 'lamp' => '#f2b33d'], ['ink' => '1,1', 'lamp' => '5,5', '#f0b040' => '9,9']);
        self::assertSame([], self::found($plan, 'many-colours'));
        $plan['sheet']['colours'] = 3;
        self::assertSame([], self::found($plan, 'many-colours'));
        $plan['sheet']['colours'] = 2;
        self::assertStringContainsString('3 colours are drawn; the sheet is held to 2', self::found($plan, 'many-colours')[0]->message);
        $plan['sheet']['colours'] = 'palette';
        [$finding] = self::found($plan, 'many-colours');
        self::assertStringContainsString('#f0b040 is drawn', $finding->message);
        self::assertSame('Make it lamp', $finding->remedy?->label);
        $mended = PlanEdit::apply($plan, $finding->remedy->operations, Kinds::all())->plan();
        self::assertSame([], self::found($mended, 'many-colours'));
        foreach ([0, 257, 'all', [], 2.5] as $wrong) {
            try {
                Sample::scene([...$plan, 'sheet' => [...$plan['sheet'], 'colours' => $wrong]]);
                self::fail('It was let through.');
            } catch (Unusable $fault) {
                self::assertSame('/sheet/colours', $fault->pointer);
            }
        }
    }

    public function test_colours_take_the_places_of_others_all_at_once(): void
    {
        $plan = self::plan(['ink' => '#1b2140', 'lamp' => '#f2b33d'], ['ink' => '1,1', 'lamp' => '5,5']);
        $plan['sheet']['background'] = 'ink';
        $plan['steps'][] = ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 50];
        $plan['steps'][] = [
            'id' => 's1',
            'kind' => 'style',
            'of' => ['p1'],
            'fill' => ['gradient' => 'linear', 'from' => [350, 400], 'to' => [450, 400], 'stops' => [[0, 'ink'], [1, '#ABCDEF']]],
            'stroke' => ['color' => 'lamp', 'width' => 2],
        ];
        $edit = PlanEdit::apply(
            $plan,
            [['op' => 'recolour', 'map' => ['ink' => 'lamp', 'lamp' => 'ink', '#ABCDEF' => '#123456']]],
            Kinds::all(),
        )->plan();
        self::assertSame(['lamp' => '1,1', 'ink' => '5,5'], $edit['steps'][1]['cells']);
        self::assertSame([[0, 'lamp'], [1, '#123456']], $edit['steps'][3]['fill']['stops']);
        self::assertSame('ink', $edit['steps'][3]['stroke']['color']);
        self::assertSame('lamp', $edit['sheet']['background']);
        self::assertSame($plan['palette'], $edit['palette'], 'What they are stays.');
        foreach ([[], ['ink'], ['ink' => 3], ['ink' => '#12']] as $wrong) {
            try {
                PlanEdit::apply($plan, [['op' => 'recolour', 'map' => $wrong]], Kinds::all());
                self::fail('It was made.');
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/operations/0/map', $fault->pointer);
            }
        }
    }

    /**
     * @param  array<string, string>  $palette
     * @param  array<string, string>  $cells
     * @return array<string, mixed>
     */
    private static function plan(array $palette, array $cells): array
    {
        return [...Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 10, 'rows' => 10, 'cell' => 80],
            ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => $cells],
        ]), 'palette' => $palette];
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return list<Finding>
     */
    private static function found(array $plan, string $sort): array
    {
        return array_values(array_filter(Sample::scene($plan)->findings, static fn (Finding $finding): bool => $finding->code === $sort));
    }
}
