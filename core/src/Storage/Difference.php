<?php

declare(strict_types=1);

namespace Sternbild\Core\Storage;

/**
 * What makes one JSON value out of another, so small that a rename in a plan of megabytes takes some bytes.
 *
 * A difference is one of
 *   `{"value": v}`                       another value instead;
 *   `{"fields": {name: d}, "gone": [n]}` an object whose other fields stay;
 *   `{"items": [...]}`                   a list of `[first, count]` items taken over, `{"at": i, "change": d}` one taken over with
 *                                        a change, `{"value": v}` a new one.
 *
 * Objects are arrays with names as keys. The order of their fields says nothing, and an empty one is as good as an empty list.
 */
final class Difference
{
    /** @return array<string, mixed> which turns the first into the second */
    public static function between(mixed $from, mixed $to): array
    {
        if (! is_array($from) || ! is_array($to) || array_is_list($from) !== array_is_list($to)) {
            return ['value' => $to];
        }

        return array_is_list($to) ? ['items' => self::items(array_values($from), $to)] : self::fields($from, $to);
    }

    /**
     * @param  array<array-key, mixed>  $difference
     *
     * @throws \UnexpectedValueException where it is none, or none to this value
     */
    public static function apply(mixed $from, array $difference): mixed
    {
        if (array_key_exists('value', $difference)) {
            return $difference['value'];
        }
        if (! is_array($from)) {
            throw new \UnexpectedValueException('A difference to something else.');
        }
        if (is_array($difference['items'] ?? null)) {
            return self::withItems($from, $difference['items']);
        }
        foreach (self::array($difference['gone'] ?? []) as $name) {
            unset(
                $from[is_int($name) || is_string($name) ? $name : throw new \UnexpectedValueException('A field that is gone has a name.')],
            );
        }
        foreach (self::array($difference['fields'] ?? []) as $name => $change) {
            $from[$name] = self::apply($from[$name] ?? null, self::array($change));
        }

        return $from;
    }

    /**
     * @param  array<array-key, mixed>  $from
     * @param  array<array-key, mixed>  $to
     * @return array<string, mixed>
     */
    private static function fields(array $from, array $to): array
    {
        $fields = [];
        foreach ($to as $name => $value) {
            if (! array_key_exists($name, $from)) {
                $fields[$name] = ['value' => $value];
            } elseif (! self::same($from[$name], $value)) {
                $fields[$name] = self::between($from[$name], $value);
            }
        }

        return ['fields' => $fields, 'gone' => array_keys(array_diff_key($from, $to))];
    }

    /**
     * @param  list<mixed>  $from
     * @param  list<mixed>  $to
     * @return list<mixed>
     */
    private static function items(array $from, array $to): array
    {
        $head = 0;
        $most = min(count($from), count($to));
        while ($head < $most && self::same($from[$head], $to[$head])) {
            $head++;
        }
        $tail = 0;
        while ($tail < $most - $head && self::same($from[count($from) - 1 - $tail], $to[count($to) - 1 - $tail])) {
            $tail++;
        }
        $items = $head > 0 ? [[0, $head]] : [];
        if ($head + $tail < count($to)) {
            array_push($items, ...self::moved($from, array_slice($to, $head, count($to) - $head - $tail)));
        }
        if ($tail > 0) {
            $items[] = [count($from) - $tail, $tail];
        }

        return $items;
    }

    /**
     * The items of a list's middle, which may come from anywhere.
     *
     * @param  list<mixed>  $from
     * @param  list<mixed>  $middle
     * @return list<mixed>
     */
    private static function moved(array $from, array $middle): array
    {
        $places = $named = [];
        foreach ($from as $at => $value) {
            $places[self::print($value)] ??= $at;
            $named[self::id($value)] ??= $at;
        }
        $items = [];
        $run = null;
        foreach ($middle as $value) {
            $at = $places[self::print($value)] ?? null;
            if ($at !== null && $run !== null && $at === $run[0] + $run[1]) {
                $run[1]++;

                continue;
            }
            if ($run !== null) {
                $items[] = $run;
            }
            $run = $at === null ? null : [$at, 1];
            if ($at === null) {
                $alike = self::id($value) === '' ? null : $named[self::id($value)] ?? null;
                $items[] = $alike === null ? ['value' => $value] : ['at' => $alike, 'change' => self::between($from[$alike], $value)];
            }
        }

        return $run === null ? $items : [...$items, $run];
    }

    /**
     * @param  array<array-key, mixed>  $from
     * @param  array<array-key, mixed>  $items
     * @return list<mixed>
     */
    private static function withItems(array $from, array $items): array
    {
        $made = [];
        foreach ($items as $item) {
            $item = self::array($item);
            if (array_key_exists('value', $item)) {
                $made[] = $item['value'];
            } elseif (is_int($item['at'] ?? null)) {
                $made[] = self::apply($from[$item['at']] ?? null, self::array($item['change'] ?? null));
            } elseif (is_int($item[0] ?? null) && is_int($item[1] ?? null) && count($from) >= $item[0] + $item[1]) {
                array_push($made, ...array_slice($from, $item[0], $item[1]));
            } else {
                throw new \UnexpectedValueException('A difference to another list.');
            }
        }

        return $made;
    }

    private static function same(mixed $one, mixed $other): bool
    {
        return $one === $other || (gettype($one) === gettype($other) && is_array($one) && self::print($one) === self::print($other));
    }

    /** Alike for values that say the same. */
    private static function print(mixed $value): string
    {
        return json_encode(self::inOrder($value), JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }

    private static function inOrder(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value);
        }

        return array_map(self::inOrder(...), $value);
    }

    private static function id(mixed $value): string
    {
        return is_array($value) && is_string($value['id'] ?? null) ? $value['id'] : '';
    }

    /** @return array<array-key, mixed> */
    private static function array(mixed $value): array
    {
        return is_array($value) ? $value : throw new \UnexpectedValueException('A difference is made of lists and objects.');
    }
}
