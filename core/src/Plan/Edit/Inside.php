<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/** What is written in a plan, changed in one place. */
final class Inside
{
    /**
     * A step, or another map, with something inside it set; null takes it away, with what it leaves empty.
     *
     * @param  array<array-key, mixed>  $map
     * @param  list<string>  $path
     * @return array<array-key, mixed>
     */
    public static function with(array $map, array $path, mixed $value): array
    {
        $key = $path[0];
        if (count($path) > 1) {
            $inner = self::with(is_array($map[$key] ?? null) ? $map[$key] : [], array_slice($path, 1), $value);
            if ($inner === []) {
                unset($map[$key]);
            } else {
                $map[$key] = $inner;
            }
        } elseif ($value === null) {
            unset($map[$key]);
        } else {
            $map[$key] = $value;
        }

        return $map;
    }
}
