<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\CellPick;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Cells of grids and overlays, by address; a star stands for every ring, sector, column or row. Lost ones are left out with a warning. */
final class CellsField extends Field
{
    /** How many lost addresses a message lists before it only counts them. */
    private const LISTED = 6;

    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, true);
    }

    public function type(): string
    {
        return 'cells';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) > Grid::MOST_CELLS) {
            throw Unusable::at($pointer, 'a list of at most '.Grid::MOST_CELLS.' cell addresses');
        }
        $pattern = '/'.Address::CELLS_PATTERN.'/D';
        foreach ($raw as $index => $text) {
            if (! is_string($text) || preg_match($pattern, $text) !== 1) {
                throw Unusable::at("$pointer/$index", 'the address of a cell, such as g1#2,3, with a star for all, g1#2,*, or of an overlay, such as o1~g1:2.5,3.5');
            }
        }
    }

    public function resolve(mixed $raw, Scope $scope): CellPick
    {
        $cells = [];
        $grids = [];
        $lost = [];
        $lostGrids = [];
        foreach (array_unique(is_array($raw) ? array_filter($raw, is_string(...)) : []) as $text) {
            $id = substr($text, 0, strcspn($text, '#~'));
            try {
                $tiling = $scope->tiling($id, $this->name);
                $grids[$id] ??= $scope->step($id, $this->name);
                foreach ($this->cellsAt($tiling, $text, strlen($id), $scope) as $cell) {
                    $cells[$id][$cell] = $cell;
                }
            } catch (NoSuchPlace $fault) {
                $lost[] = "$text ({$fault->getMessage()} in {$scope->label($id)})";
            } catch (FieldFault $fault) {
                $lostGrids[$id] = $fault->getMessage();
                $lost[] = $text;
            }
        }
        if ($cells === []) {
            throw new FieldFault($this->name, 'lost', match (true) {
                $lost === [] => 'no cell is picked',
                $lostGrids !== [] => implode('; ', $lostGrids),
                default => 'none of its cells exists any more: '.self::listed($lost),
            });
        }
        if ($lost !== []) {
            $scope->warn($this->name, 'lost-cells', count($lost).(count($lost) === 1 ? ' cell is' : ' cells are').' lost: '.self::listed($lost));
        }

        return new CellPick(array_map(array_values(...), $cells), $grids);
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? $raw : [] as $text) {
            if (is_string($text)) {
                $ids[substr($text, 0, strcspn($text, '#~'))] = true;
                $frame = strpos($text, ':');
                if ($frame !== false) {
                    $ids[substr($text, strpos($text, '~') + 1, $frame - strpos($text, '~') - 1)] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => 'string', 'pattern' => Address::CELLS_PATTERN], 'maxItems' => Grid::MOST_CELLS];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $raw = is_array($raw) ? $raw : [];
        $whole = count(array_filter($raw, static fn (mixed $text): bool => is_string($text) && str_contains($text, '*')));
        $single = count($raw) - $whole;
        $counts = [];
        if ($whole > 0) {
            $counts[] = $whole.($whole === 1 ? ' whole run' : ' whole runs');
        }
        if ($single > 0 || $whole === 0) {
            $counts[] = $single.($single === 1 ? ' cell' : ' cells');
        }
        $on = array_map(static fn (mixed $text): string => is_string($text) ? substr($text, 0, strcspn($text, '#~')) : '', $raw);
        $grids = array_map(static fn (string $id): string => $labels[$id] ?? "“{$id}”", array_values(array_unique($on)));

        return implode(' and ', $counts).($grids === [] ? '' : ' of '.implode(' and ', $grids));
    }

    /**
     * @param  int  $mark  where the step's id ends
     * @return non-empty-list<int>
     *
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function cellsAt(Tiling $tiling, string $text, int $mark, Scope $scope): array
    {
        $rest = substr($text, $mark + 1);
        if ($tiling instanceof Grid && $text[$mark] === '#') {
            return $tiling->cellsAt(array_map(static fn (string $part): ?int => $part === '*' ? null : (int) $part, explode(',', $rest)));
        }
        if ($tiling instanceof Overlay && $text[$mark] === '~') {
            $frame = strpos($rest, ':');
            [$u, $v] = array_map(floatval(...), explode(',', $frame === false ? $rest : substr($rest, $frame + 1)));

            return [$tiling->cellHeldBy($frame === false ? null : $scope->grid(substr($rest, 0, $frame), $this->name), $u, $v)];
        }
        throw new NoSuchPlace($tiling instanceof Overlay ? 'cells of an overlay are held by a place, as in o1~g1:2.5,3.5' : 'cells of a grid are counted, as in g1#2,3');
    }

    /** @param  list<string>  $lost */
    private static function listed(array $lost): string
    {
        $rest = count($lost) - self::LISTED;

        return implode(', ', array_slice($lost, 0, self::LISTED)).($rest > 0 ? " and $rest more" : '');
    }
}
