<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Grid\ColumnsAndRows;
use Sternbild\Core\Pixel\Clusters;
use Sternbild\Core\Pixel\Held;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Sampler;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColoursOrCountField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Every cell of a grid in a colour of the picture under it. */
#[Called('sample', label: 'Sample', word: 'sample', prefix: 'd', purpose: Purpose::Construction)]
final class SampleKind extends PaintingKind
{
    /** Cells that get a colour. */
    private const MOST = 160_000;

    protected function declared(): array
    {
        return [
            new StepField('picture', 'picture', Role::Picture, true),
            self::on(),
            new ChoiceField(
                'by',
                'how',
                ['mean' => 'the mean of each cell', 'middle' => 'the middle of each cell', 'most' => 'what is most in each cell'],
                'mean',
            ),
            new ColoursOrCountField('colours', 'colours', true),
            new ChoiceField('near', 'nearest', ['ciede2000' => 'to the eye', 'oklab' => 'in Oklab'], 'ciede2000'),
            new ChoiceField(
                'dither',
                'dither',
                ['none' => 'not dithered', 'ordered' => 'dithered by a matrix', 'spread' => 'what it is off by spread'],
                'none',
            ),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Colours of {on} from {picture}, {by}, nearest of {colours}[, nearest {near}][, {dither}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $picture = $given->step('picture')->result;
        if (! $picture instanceof PlacedPicture) {
            throw new FieldFault('picture', 'lost', 'it is no picture');
        }
        $grid = self::grid($given);
        if ($grid->cellCount() > self::MOST) {
            throw new FieldFault(
                'on',
                'limit',
                'at most '.
                    number_format(self::MOST).
                    ' cells get their colour from a picture; the grid has '.
                    number_format($grid->cellCount()),
            );
        }
        $by = $given->text('by');
        try {
            $cells = Sampler::colours($picture, $grid, $by === 'middle' || $by === 'most' ? $by : 'mean');
        } catch (Unreadable $fault) {
            throw new FieldFault('picture', 'lost', $fault->getMessage());
        }
        if ($cells === []) {
            throw new FieldFault('picture', 'lost', 'the picture lies under no cell of the grid');
        }
        $wanted = $given->coloursOrCount('colours');
        if (is_int($wanted)) {
            Budget::spend(2 * $wanted * min(count($cells), 6_000));
            $wanted = array_map(static fn (string $hex): array => [$hex, $hex], Clusters::find(array_count_values($cells), $wanted));
        }
        if ($wanted === []) {
            throw new FieldFault('colours', 'choice', 'there is no colour to choose from');
        }
        Budget::spend(count($wanted) * min(count($cells), 20_000));
        $held = new Held(array_column($wanted, 1), $given->text('near') === 'oklab' ? 'oklab' : 'ciede2000');
        $dither = $given->text('dither');
        $columns = $grid instanceof ColumnsAndRows ? $grid->size()[0] : null;
        $numbers = $held->each($cells, $dither === 'ordered' || $dither === 'spread' ? $dither : 'none', $columns);

        return self::painted(
            $given,
            array_map(static fn (int $number): string => $wanted[$number][0], $numbers),
            array_column($wanted, 1, 0),
            0,
            'picture',
        );
    }
}
