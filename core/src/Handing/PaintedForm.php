<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Unusable;

/** Painted cells as an exact picture. */
abstract class PaintedForm extends FileForm
{
    /** @return array<string, string> what can be handed over so is called, by id */
    abstract protected static function painted(Handed $of): array;

    /** @return non-empty-array<string, string> forms of the picture, as they are called */
    abstract protected static function forms(): array;

    /** @throws Unusable where there is none */
    abstract protected static function picture(Handed $of, string $id): PixelRaster;

    /** What the picture is of, behind its size in pixels. */
    protected static function reaches(): string
    {
        return '';
    }

    final public function suits(Handed $of): bool
    {
        return static::painted($of) !== [];
    }

    final public function options(Handed $of): array
    {
        $painted = static::painted($of);

        return [
            new ChoiceField('of', 'cells of', $painted ?: ['' => 'none'], (string) array_key_last($painted)),
            NumberField::count('scale', 'pixels to a cell', 1, 10_000, default: 1),
            new ChoiceField('as', 'form', static::forms(), array_key_first(static::forms())),
        ];
    }

    final public function estimate(Handed $of, array $asked): Estimate
    {
        $picture = static::picture($of, self::id($asked));
        try {
            $picture->hold(self::scale($asked));
        } catch (Unusable $fault) {
            throw WrongOptions::at('scale', ucfirst("$fault->expected."));
        }

        return new Estimate([
            sprintf(
                '%d × %d pixels%s, seen through where nothing is painted.',
                $picture->wide * self::scale($asked),
                $picture->high * self::scale($asked),
                static::reaches(),
            ),
        ]);
    }

    /** @param  array<string, mixed>  $asked */
    final protected static function id(array $asked): string
    {
        return is_string($asked['of'] ?? null) ? $asked['of'] : '';
    }

    /** @param  array<string, mixed>  $asked */
    final protected static function scale(array $asked): int
    {
        return is_float($asked['scale'] ?? null) ? (int) $asked['scale'] : 1;
    }

    /** @param  array<string, mixed>  $asked */
    final protected static function form(array $asked): string
    {
        return is_string($asked['as'] ?? null) ? $asked['as'] : (string) array_key_first(static::forms());
    }
}
