<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Reading;

use Sternbild\Core\Check\Checks;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\HeldToField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Piece;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Property;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Plan\Values;

/**
 * All that the sheet as a whole says. Reading, schema, changes and sentences of the sheet hang on this list; limits of checks come from the
 * checks.
 */
final class SheetProperties
{
    /** Without which no sheet is one. */
    private const REQUIRED = ['width', 'height', 'unit'];

    /** @return array<string, Property> by name */
    public static function all(): array
    {
        /** @var array<string, Property>|null $all */
        static $all = null;
        if ($all !== null) {
            return $all;
        }
        $units = array_column(Unit::cases(), 'value');
        $all = [];
        $declared = [
            new Property(
                NumberField::side('width', 'width'),
                'a length from 0.001 to 10000000',
                self::nothing(...),
                'ground',
                'Sheet {width}',
            ),
            new Property(
                NumberField::side('height', 'height'),
                'a length from 0.001 to 10000000',
                self::nothing(...),
                'ground',
                ' × {height}',
            ),
            new Property(
                new ChoiceField('unit', 'unit', array_combine($units, $units)),
                'one of '.implode(', ', $units),
                self::nothing(...),
                'ground',
                ' {unit}',
            ),
            new Property(
                new ColourField('background', 'background'),
                'null, #rrggbb or the name of a palette colour',
                self::nothing(...),
                'ground',
                ' on {background}',
                fits: static fn (mixed $colour): bool => $colour !== 'none',
            ),
            new Property(
                NumberField::angle('light', 'light'),
                'degrees, clockwise from straight up, that light comes from',
                static fn (): float => Values::LIGHT,
                'ground',
                ', light from {light}',
                matters: self::isLit(...),
            ),
            new Property(
                new HeldToField('colours', 'colours'),
                'how many colours the sheet may have, 1 to 256, or "palette"',
                self::nothing(...),
                'colours',
                'held to {colours}',
            ),
            new Property(
                new ChoiceField('seams', 'seams', ['closed' => 'closed', 'open' => 'left open']),
                'closed or open',
                static fn (): string => 'closed',
                'colours',
                ', seams {seams}',
            ),
        ];
        foreach ($declared as $property) {
            $all[$property->name()] = $property;
        }

        return $all += Checks::limits();
    }

    /**
     * What a sheet comes to.
     *
     * @return array<string, mixed> of every property, by its name
     *
     * @throws Unusable
     */
    public static function read(mixed $sheet): array
    {
        if (! is_array($sheet)) {
            throw Unusable::at('/sheet', 'an object with width, height and unit');
        }
        self::checkKeys($sheet);
        $properties = self::all();
        $unit = Unit::from(self::text(self::value($properties['unit'], $sheet, Unit::Px, INF, INF)));
        $width = self::number(self::value($properties['width'], $sheet, $unit, INF, INF));
        $height = self::number(self::value($properties['height'], $sheet, $unit, INF, INF));
        $read = [];
        foreach ($properties as $name => $property) {
            $read[$name] = self::value($property, $sheet, $unit, $width, $height);
        }

        return $read;
    }

    /** @return array<string, mixed> JSON Schema */
    public static function schema(): array
    {
        $properties = [];
        foreach (self::all() as $name => $property) {
            $schema = $property->field->schema();
            $path = explode('.', $name);
            if (isset($path[1])) {
                $properties[$path[0]]['properties'][$path[1]] = $schema;
                $properties[$path[0]] += ['type' => 'object', 'additionalProperties' => false];
            } else {
                // A colour of nothing is written down as that.
                $properties[$name] = $property->field->type() === 'colour' ? ['type' => ['string', 'null']] : $schema;
            }
        }

        return ['type' => 'object', 'required' => self::REQUIRED, 'additionalProperties' => false, 'properties' => $properties];
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return array_map(static fn (Property $property): Field => $property->field, array_values(self::all()));
    }

    /**
     * The sentences of a sheet, in pieces as those of steps are.
     *
     * @return array<string, list<Piece>> by what they are about: ground, colours, checks
     */
    public static function sentences(Plan $plan): array
    {
        $phrases = ['ground' => [], 'colours' => [], 'checks' => []];
        $fields = $numbers = [];
        foreach (self::all() as $name => $property) {
            $fields[$name] = $property->field;
            if (is_float($plan->sheet[$name] ?? null)) {
                $numbers[$name] = $plan->sheet[$name];
            }
            if ($property->raw($plan->sheetSaid) !== null || $property->matters($plan)) {
                $phrases[$property->under][] = $property->phrase.self::measured($property, $plan);
            }
        }
        $templates = [
            'ground' => implode('', $phrases['ground']).'.',
            'colours' => implode('', $phrases['colours']),
            'checks' => 'Named are '.self::listed($phrases['checks']).'.',
        ];
        $raw = static function (string $name) use ($plan): mixed {
            $said = self::all()[$name]->raw($plan->sheetSaid);
            $usual = $plan->sheet[$name] ?? null;

            return $said ?? (is_float($usual) ? (float) Numerals::plain(round($usual, 4)) : $usual);
        };

        return array_map(
            static fn (string $template): array => Sentence::filled($template, $fields, $raw, $plan, [], $numbers),
            $templates,
        );
    }

    /** @param  list<string>  $words */
    private static function listed(array $words): string
    {
        $last = array_pop($words);

        return $words === [] ? (string) $last : implode(', ', $words)." and $last";
    }

    /** What stands behind a limit: the unit of a length, and that one of nought turns off what hangs on it. */
    private static function measured(Property $property, Plan $plan): string
    {
        if ($property->under !== 'checks' || ! $property->field instanceof NumberField) {
            return '';
        }

        // Nothing is thinner or sharper than nought; of others it has to be said.
        return match ($property->field->measure) {
            'length' => ' '.$plan->unit->value,
            'angle' => '',
            default => ($plan->sheet[$property->name()] ?? null) === 0.0 ? ' (never)' : '',
        };
    }

    /**
     * @param  array<array-key, mixed>  $sheet
     *
     * @throws Unusable
     */
    private static function value(Property $property, array $sheet, Unit $unit, float $width, float $height): mixed
    {
        $raw = $property->raw($sheet);
        $pointer = '/sheet/'.str_replace('.', '/', $property->name());
        if ($raw === null) {
            return in_array($property->name(), self::REQUIRED, true)
                ? throw Unusable::at($pointer, $property->expected)
                : $property->usual($width, $height, $unit);
        }
        try {
            $property->field->check($raw, $pointer);
        } catch (Unusable) {
            throw Unusable::at($pointer, $property->expected);
        }
        try {
            // The palette is not read yet, nor are steps: colours stay names, and arithmetic knows units only.
            $value = $property->field instanceof NumberField ? $property->field->resolve($raw, new Scope(Plan::bare($unit), [])) : $raw;
        } catch (FieldFault $fault) {
            throw Unusable::at(
                $pointer,
                $fault->findingCode === 'arithmetic' ? "a number or arithmetic; {$fault->getMessage()}" : $property->expected,
            );
        }

        return $property->fits($value, $width, $height) ? $value : throw Unusable::at($pointer, $property->expected);
    }

    /**
     * @param  array<array-key, mixed>  $sheet
     *
     * @throws Unusable
     */
    private static function checkKeys(array $sheet): void
    {
        $keys = [];
        foreach (array_keys(self::all()) as $name) {
            $path = explode('.', $name);
            $keys[$path[0]] = [...$keys[$path[0]] ?? [], ...array_slice($path, 1)];
        }
        PlanReader::onlyKeys($sheet, array_map(strval(...), array_keys($keys)), '/sheet');
        foreach (array_filter($keys) as $name => $inner) {
            $said = $sheet[$name] ?? [];
            PlanReader::onlyKeys(
                is_array($said) ? $said : throw Unusable::at("/sheet/$name", 'an object with '.implode(', ', $inner)),
                $inner,
                "/sheet/$name",
            );
        }
    }

    /** Whether anything is lit from where the sheet says. */
    private static function isLit(Plan $plan): bool
    {
        foreach ($plan->steps as $step) {
            foreach ($step->kind->fields() as $field) {
                if ($field->default === 'sheet.light') {
                    return true;
                }
            }
        }

        return false;
    }

    private static function nothing(): null
    {
        return null;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    private static function number(mixed $value): float
    {
        return is_float($value) ? $value : 0.0;
    }
}
