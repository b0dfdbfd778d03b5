<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\PatternFill;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Shape\Part;

/** The worked-out parameters of one step. A field that was not given and has no default is absent. */
final readonly class Arguments
{
    /**
     * @param  array<string, mixed>  $values by field name
     * @param  Bounds  $sheet  that the step works on
     */
    public function __construct(public string $step, private array $values, public Bounds $sheet)
    {
    }

    public function tolerance(): Tolerance
    {
        return Tolerance::ofSheet(max($this->sheet->right, $this->sheet->bottom));
    }

    public function has(string $field): bool
    {
        return isset($this->values[$field]);
    }

    public function number(string $field): float
    {
        $value = $this->values[$field] ?? null;

        return is_float($value) ? $value : throw $this->misdeclared($field);
    }

    public function whole(string $field): int
    {
        return (int) $this->number($field);
    }

    public function vec(string $field): Vec
    {
        $value = $this->values[$field] ?? null;

        return $value instanceof Vec ? $value : throw $this->misdeclared($field);
    }

    public function text(string $field): string
    {
        $value = $this->values[$field] ?? null;

        return is_string($value) ? $value : throw $this->misdeclared($field);
    }

    public function paint(string $field): string|Gradient|PatternFill
    {
        $value = $this->values[$field] ?? null;

        return is_string($value) || $value instanceof Gradient || $value instanceof PatternFill ? $value : throw $this->misdeclared($field);
    }

    /** @return list<string> colours, #rrggbb or none; none where nothing is said */
    public function colours(string $field): array
    {
        $value = $this->values[$field] ?? [];
        if (! is_array($value)) {
            throw $this->misdeclared($field);
        }

        return array_values(array_map(fn (mixed $one): string => is_string($one) ? $one : throw $this->misdeclared($field), $value));
    }

    /**
     * @return list<array{string, string, string, list<HeldAddress>}> name of a colour, #rrggbb or none, addresses of cells, and those of an
     *   overlay
     */
    public function painted(string $field): array
    {
        $value = $this->values[$field] ?? null;
        $painted = [];
        foreach (is_array($value) ? $value : throw $this->misdeclared($field) as $one) {
            [$name, $colour, $text, $held] = is_array($one) ? array_values($one) + ['', '', '', []] : throw $this->misdeclared($field);
            if (! is_string($name) || ! is_string($colour) || ! is_string($text) || ! is_array($held)) {
                throw $this->misdeclared($field);
            }
            $painted[] = [
                $name,
                $colour,
                $text,
                array_values(array_filter($held, static fn (mixed $one): bool => $one instanceof HeldAddress)),
            ];
        }

        return $painted;
    }

    /** @return array{float, float, float, float} */
    public function shares(string $field): array
    {
        $value = $this->values[$field] ?? null;
        $shares = is_array($value) ? array_values(array_filter($value, is_float(...))) : [];

        return count($shares) === 4 ? $shares : throw $this->misdeclared($field);
    }

    public function map(string $field): Affine
    {
        $value = $this->values[$field] ?? null;

        return $value instanceof Affine ? $value : throw $this->misdeclared($field);
    }

    public function picture(string $field): PictureFile
    {
        $value = $this->values[$field] ?? null;

        return $value instanceof PictureFile ? $value : throw $this->misdeclared($field);
    }

    /** @return list<array{string, string}>|int name and #rrggbb of each, or how many are to be found */
    public function coloursOrCount(string $field): array|int
    {
        $value = $this->values[$field] ?? null;
        if (is_float($value)) {
            return (int) $value;
        }
        $colours = [];
        foreach (is_array($value) ? $value : throw $this->misdeclared($field) as $one) {
            [$name, $hex] = is_array($one) ? array_values($one) + ['', ''] : throw $this->misdeclared($field);
            $colours[] = is_string($name) && is_string($hex) ? [$name, $hex] : throw $this->misdeclared($field);
        }

        return $colours;
    }

    /** @return list<float> one number, or one for each of several */
    public function heights(string $field): array
    {
        $value = $this->values[$field] ?? null;

        return array_values(
            array_map(
                fn (mixed $one): float => is_float($one) ? $one : throw $this->misdeclared($field),
                is_array($value) ? $value : throw $this->misdeclared($field),
            ),
        );
    }

    /** @return array{float, float, float, float} from one cell to another */
    public function span(string $field): array
    {
        $value = $this->values[$field] ?? null;
        $numbers = is_array($value) ? array_values(array_filter($value, is_float(...))) : [];

        return count($numbers) === 4 ? $numbers : throw $this->misdeclared($field);
    }

    public function isOn(string $field): bool
    {
        return ($this->values[$field] ?? false) === true;
    }

    /**
     * The steps that a field names, also where it names one.
     *
     * @return list<Evaluated>
     */
    public function steps(string $field): array
    {
        $value = $this->values[$field] ?? null;
        $value = $value instanceof Evaluated ? [$value] : $value;
        if (! is_array($value)) {
            throw $this->misdeclared($field);
        }
        $steps = [];
        foreach ($value as $step) {
            $steps[] = $step instanceof Evaluated ? $step : throw $this->misdeclared($field);
        }

        return $steps;
    }

    /**
     * The parts that a field names, in order.
     *
     * @return list<Part>
     */
    public function parts(string $field): array
    {
        return array_values(
            array_map(
                fn (Evaluated $step): Part => $step->result instanceof Part ? $step->result : throw $this->misdeclared($field),
                $this->steps($field),
            ),
        );
    }

    /** @return list<Guide> */
    public function guides(string $field): array
    {
        return array_values(
            array_map(
                fn (Evaluated $step): Guide => $step->result instanceof Guide ? $step->result : throw $this->misdeclared($field),
                $this->steps($field),
            ),
        );
    }

    /** @return list<Grid> */
    public function grids(string $field): array
    {
        return array_values(
            array_map(
                fn (Evaluated $step): Grid => $step->result instanceof Grid ? $step->result : throw $this->misdeclared($field),
                $this->steps($field),
            ),
        );
    }

    /** @return list<Bend|null> */
    public function bends(string $field): array
    {
        $value = $this->values[$field] ?? [];
        if (! is_array($value)) {
            throw $this->misdeclared($field);
        }

        return array_values(
            array_map(
                fn (mixed $bend): ?Bend => $bend === null || $bend instanceof Bend ? $bend : throw $this->misdeclared($field),
                $value,
            ),
        );
    }

    /** @return list<Vec> */
    public function places(string $field): array
    {
        $value = $this->values[$field] ?? null;
        if (! is_array($value)) {
            throw $this->misdeclared($field);
        }

        return array_values(array_map(fn (mixed $place): Vec => $place instanceof Vec ? $place : throw $this->misdeclared($field), $value));
    }

    /** @return list<Seat> */
    public function seats(string $field): array
    {
        $value = $this->values[$field] ?? null;
        if (! is_array($value)) {
            throw $this->misdeclared($field);
        }

        return array_values(array_map(fn (mixed $seat): Seat => $seat instanceof Seat ? $seat : throw $this->misdeclared($field), $value));
    }

    public function cells(string $field): CellPick
    {
        $value = $this->values[$field] ?? null;

        return $value instanceof CellPick ? $value : throw $this->misdeclared($field);
    }

    public function step(string $field): Evaluated
    {
        $value = $this->values[$field] ?? null;

        return $value instanceof Evaluated ? $value : throw $this->misdeclared($field);
    }

    /**
     * @param  list<string>  $fields
     * @return array<string, mixed> those of them that are given
     */
    public function only(array $fields): array
    {
        return array_intersect_key($this->values, array_flip($fields));
    }

    /**
     * What the result hangs on: equal arguments have equal fingerprints.
     *
     * @param  list<string>  $without  fields that do not count
     */
    public function fingerprint(array $without): string
    {
        $text = sprintf('%s on %.17g × %.17g', $this->step, $this->sheet->right, $this->sheet->bottom);
        foreach (array_diff_key($this->values, array_flip($without)) as $field => $value) {
            $text .= "\n$field=".self::printed($value);
        }

        return $text;
    }

    /** @return array<string, float> by field name, the two of a pair or a place with .0 and .1 behind it */
    public function numbers(): array
    {
        $numbers = [];
        foreach ($this->values as $field => $value) {
            if (is_float($value)) {
                $numbers[$field] = $value;
            } elseif ($value instanceof Vec) {
                $numbers["$field.0"] = $value->x;
                $numbers["$field.1"] = $value->y;
            } elseif (is_array($value)) {
                foreach (array_values($value) as $index => $place) {
                    if ($place instanceof Vec) {
                        $numbers["$field.$index.0"] = $place->x;
                        $numbers["$field.$index.1"] = $place->y;
                    }
                }
            }
        }

        return $numbers;
    }

    private static function printed(mixed $value): string
    {
        return match (true) {
            is_float($value) => sprintf('%.17g', $value),
            $value === null => '-',
            is_bool($value) => $value ? 'yes' : 'no',
            is_string($value) => '"'.$value.'"',
            $value instanceof Vec => sprintf('(%.17g,%.17g)', $value->x, $value->y),
            $value instanceof Seat => self::printed($value->at).sprintf('^%.17g', $value->turn),
            $value instanceof Evaluated => $value->fingerprint(),
            $value instanceof Bend => $value->fingerprint(),
            $value instanceof Gradient => $value->fingerprint(),
            $value instanceof PatternFill => $value->key(),
            $value instanceof CellPick, $value instanceof HeldAddress => $value->fingerprint(),
            $value instanceof PictureFile => $value->hash,
            $value instanceof Affine => self::printed($value->toArray()),
            is_array($value) => '['.implode(',', array_map(self::printed(...), $value)).']',
            default => throw new \LogicException('An argument of the type '.get_debug_type($value).' has no fingerprint.'),
        };
    }

    private function misdeclared(string $field): \LogicException
    {
        return new \LogicException("The computation of {$this->step} asks for $field in a way its declaration does not give.");
    }
}
