<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\CellPick;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\HeldAddress;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

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
                throw Unusable::at(
                    "$pointer/$index",
                    'the address of a cell, such as g1#2,3, with a star for all, g1#2,*, or of an overlay, such as o1~g1:2.5,3.5',
                );
            }
        }
    }

    public function resolve(mixed $raw, Scope $scope): CellPick
    {
        $cells = [];
        $grids = [];
        $lost = [];
        $lostGrids = $together = [];
        foreach (array_unique(is_array($raw) ? array_filter($raw, is_string(...)) : []) as $text) {
            $id = substr($text, 0, strcspn($text, '#~'));
            try {
                $tiling = $scope->tiling($id, $this->name);
                $grids[$id] ??= $scope->step($id, $this->name);
                foreach ($this->cellsAt($tiling, $text, strlen($id), $scope) as $cell) {
                    if ($tiling instanceof Overlay && isset($cells[$id][$cell])) {
                        $together[$id] = ($together[$id] ?? 0) + 1;
                    }
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
            $scope->warn(
                $this->name,
                'lost-cells',
                count($lost).(count($lost) === 1 ? ' cell is' : ' cells are').' lost: '.self::listed($lost),
            );
        }

        foreach ($together as $id => $count) {
            $scope->warn(
                $this->name,
                'together',
                $count.
                    ($count === 1 ? ' cell of ' : ' cells of ').
                    $scope->label($id).
                    ($count === 1 ? ' falls' : ' fall').
                    ' together with another of the pick',
            );
        }

        return new CellPick(array_map(array_values(...), $cells), $grids);
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? $raw : [] as $text) {
            if (is_string($text)) {
                // Most are cells of one grid; only those of overlays name more.
                $mark = strcspn($text, '#~');
                $ids[substr($text, 0, $mark)] = true;
                if (($text[$mark] ?? '') === '~') {
                    $ids += array_fill_keys(Address::idsIn($text), true);
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw)
            ? array_map(static fn (mixed $one): mixed => is_string($one) ? Address::renamed($one, $new) : $one, $raw)
            : $raw;
    }

    /** @return list<string> */
    public function sample(Sampling $lot): array
    {
        $cells = [];
        for ($k = $lot->whole(1, 8); $k > 0; $k--) {
            $cells[] = $lot->has(Role::Overlay) && $lot->chance(50)
                ? $lot->step(Role::Overlay).'~'.$lot->number(0, 800).','.$lot->number(0, 800)
                : $lot->step(Role::Grid).'#'.($lot->chance(10) ? '*' : $lot->whole(0, 6)).','.($lot->chance(10) ? '*' : $lot->whole(1, 12));
        }

        return $cells;
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
        $grids = array_map((new Naming($plan, $labels))->step(...), array_values(array_unique($on)));

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
            return [$this->held($tiling, substr($text, 0, $mark), $rest, $scope)];
        }
        throw new NoSuchPlace(
            $tiling instanceof Overlay
                ? 'cells of an overlay are held by a place, as in o1~g1:2.5,3.5'
                : 'cells of a grid are counted, as in g1#2,3',
        );
    }

    /**
     * The cell of an overlay that a place, cells of grids and sides hold.
     *
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function held(Overlay $overlay, string $id, string $rest, Scope $scope): int
    {
        $held = HeldAddress::read($rest, $scope, $this->name);
        $found = $held->cellOf($overlay);
        $looseness = $held->looseness($found);
        if ($looseness !== null) {
            $scope->warn($this->name, 'held', "a cell of {$scope->label($id)} is $looseness");
        }

        return $found->cell;
    }

    /** @param  list<string>  $lost */
    private static function listed(array $lost): string
    {
        $rest = count($lost) - self::LISTED;

        return implode(', ', array_slice($lost, 0, self::LISTED)).($rest > 0 ? " and $rest more" : '');
    }
}
