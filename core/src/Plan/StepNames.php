<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** The ids by which a step names others: alone, at the head of an address, and in arithmetic. */
final class StepNames
{
    /**
     * A step that names others by their new ids.
     *
     * @param  array<array-key, mixed>  $step
     * @param  array<string, string>  $new  by old id
     * @return array<array-key, mixed>
     */
    public static function replaced(array $step, array $new): array
    {
        $replaced = [];
        foreach ($step as $key => $value) {
            $replaced[$key] = match (true) {
                in_array($key, ['id', 'kind', 'name'], true) => $value,
                is_array($value) => self::replaced($value, $new),
                // A word of its own, and not the name of a function.
                is_string($value) => preg_replace_callback(
                    '/(?<![A-Za-z0-9_.])[a-z][a-z0-9]*(?![A-Za-z0-9_(])/',
                    static fn (array $found): string => $new[$found[0]] ?? $found[0],
                    $value,
                ),
                default => $value,
            };
        }

        return $replaced;
    }
}
