<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Paint\Ramp;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Unusable;

/** Changes of the palette of a plan as it is written. */
final class PaletteEdit
{
    public const MOST_RAMP = 24;

    /** Colours that others take the place of, at once. */
    private const MOST_REPLACED = 256;

    /** Of a name that the names of a ramp begin with. */
    private const LONGEST = 16;

    /**
     * With so many colours between two, or lighter or darker ones.
     *
     * @param  array<array-key, mixed>  $plan
     * @param  array<array-key, mixed>  $operation
     * @return array<array-key, mixed>
     *
     * @throws Unusable
     */
    public static function withRamp(array $plan, array $operation, string $pointer): array
    {
        $palette = self::palette($plan);
        [$of, $to, $steps] = [$operation['of'] ?? null, $operation['to'] ?? null, $operation['steps'] ?? null];
        if (! is_string($of) || ! is_string($palette[$of] ?? null)) {
            throw Unusable::at("$pointer/of", 'the name of a colour of the palette');
        }
        if (! is_string($to) || (! in_array($to, ['lighter', 'darker'], true) && ! is_string($palette[$to] ?? null)) || $to === $of) {
            throw Unusable::at("$pointer/to", 'the name of another colour of the palette, lighter or darker');
        }
        if (! is_int($steps) || $steps < 1 || $steps > self::MOST_RAMP) {
            throw Unusable::at("$pointer/steps", 'how many colours, from 1 to '.self::MOST_RAMP);
        }
        $other = $palette[$to] ?? null;
        $colours = is_string($other)
            ? Ramp::between($palette[$of], $other, $steps)
            : Ramp::from($palette[$of], $to === 'lighter' ? 'lighter' : 'darker', $steps);
        $name = mb_substr($of, 0, self::LONGEST).(is_string($other) ? ' to '.mb_substr($to, 0, self::LONGEST) : " $to");
        $number = 1;
        foreach ($colours as $colour) {
            while (isset($palette["$name $number"])) {
                $number++;
            }
            $palette["$name $number"] = $colour;
        }

        return [...$plan, 'palette' => $palette];
    }

    /**
     * Of a colour that is to be renamed, its old name and its new one.
     *
     * @param  array<array-key, mixed>  $plan
     * @param  array<array-key, mixed>  $operation
     * @return array{string, string}
     *
     * @throws Unusable
     */
    public static function names(array $plan, array $operation, string $pointer): array
    {
        $palette = self::palette($plan);
        [$name, $to] = [$operation['name'] ?? null, $operation['to'] ?? null];
        if (! is_string($name) || ! isset($palette[$name])) {
            throw Unusable::at("$pointer/name", 'the name of a colour of the palette');
        }
        if (! is_string($to) || isset($palette[$to])) {
            throw Unusable::at("$pointer/to", 'a name that no other colour has');
        }

        return [$name, $to];
    }

    /**
     * With another name of a colour in the palette, and where the sheet stands on it.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    public static function renamed(array $plan, string $name, string $to): array
    {
        $palette = self::palette($plan);
        $palette[$to] = $palette[$name];
        unset($palette[$name]);
        if (is_array($plan['sheet'] ?? null) && ($plan['sheet']['background'] ?? null) === $name) {
            $plan['sheet']['background'] = $to;
        }

        return [...$plan, 'palette' => $palette];
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function palette(array $plan): array
    {
        return is_array($plan['palette'] ?? null) ? $plan['palette'] : [];
    }

    /**
     * Colours by the colours that they take the place of.
     *
     * @param  array<array-key, mixed>  $operation
     * @return non-empty-array<array-key, string>
     *
     * @throws Unusable
     */
    public static function map(array $operation, string $pointer): array
    {
        $map = $operation['map'] ?? null;
        if (! is_array($map) || $map === [] || array_is_list($map) || count($map) > self::MOST_REPLACED) {
            throw Unusable::at("$pointer/map", 'colours by the colours that they take the place of, such as {"lagoon": "ink"}');
        }
        foreach ($map as $from => $to) {
            if (! is_string($to) || ! ColourField::isColour($to) || ! ColourField::isColour((string) $from)) {
                throw Unusable::at("$pointer/map/$from", 'the name of a colour, #rrggbb or none');
            }
        }

        return $map;
    }
}
