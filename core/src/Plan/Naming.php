<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What sentences, messages and the history call places, cells and steps. */
final readonly class Naming
{
    /** @param  array<string, string>  $labels  of the steps, by id */
    public function __construct(private Plan $plan, private array $labels)
    {
    }

    /** `grid 1`, `copy 3 of repeat 1`, `part 2 of copy 3 of repeat 1`. */
    public function step(Reference|string $reference): string
    {
        $named = is_string($reference) ? Reference::parse($reference) : $reference;
        $label = $named === null ? "“{$reference}”" : $this->labels[$named->step] ?? "“{$named->step}”";

        $copy =
            $named?->copy === null
                ? null
                : ($this->plan->steps[$named->step] ?? null)?->kind->copyNames()[$named->copy - 1] ?? "copy $named->copy";

        return ($named?->member === null ? '' : "part $named->member of ").($copy === null ? '' : "$copy of ").$label;
    }

    /** A part or a guide, a copy, or a piece of a part. */
    public function member(string $text): string
    {
        $mark = strpos($text, '~');

        return $mark === false
            ? $this->step($text)
            : 'the piece of '.$this->step(substr($text, 0, $mark)).' at '.$this->spot(Spot::parse(substr($text, $mark + 1)));
    }

    /** `30, 40`, `ring 2, spoke 3 of grid 1`, `crossing 1 of circle 1 and line 1`. */
    public function place(mixed $raw): string
    {
        if (is_array($raw)) {
            return array_is_list($raw) ? $this->pair($raw) : $this->composed($raw);
        }
        $address = is_string($raw) ? Address::parse($raw) : null;
        if ($address === null) {
            return 'a lost place';
        }
        $label = $this->step($address->of);
        $kind = ($this->plan->steps[$address->of->step] ?? null)?->kind;

        return match ($address->sort) {
            '!' => "the centre of $label",
            '*' => ($address->spot === null ? 'crossing '.(int) ($address->coordinates[0] ?? 0) : 'the crossing').
                ' of '.
                $label.
                ' and '.
                $this->step($address->other ?? '').
                ($address->spot === null ? '' : ' near '.$this->spot($address->spot)),
            '~' => 'the place '.self::numbers([$address->spot->u ?? 0.0, $address->spot->v ?? 0.0])." of $label",
            '#' => 'the middle of '.self::worded($kind?->cellWords() ?? [], $address->coordinates, 'cell')." of $label",
            default => match (true) {
                $kind?->pointWords() !== null && $kind->pointWords() !== [] && $address->coordinates !== [] => self::point(
                    $kind->pointWords(),
                    $address->coordinates,
                )." of $label",
                $address->spot !== null => "the corner of $label near ".$this->spot($address->spot),
                $address->coordinates === [] || $kind?->purpose() === Purpose::Ground => 'the place at '.
                    self::numbers($address->numbers).
                    " of $label",
                default => "point {$address->coordinates[0]} of $label",
            },
        };
    }

    /**
     * An intersection: `column 2, row 3`, `the centre`.
     *
     * @param  list<string>  $words
     * @param  list<int|null>  $coordinates
     */
    public static function point(array $words, array $coordinates): string
    {
        return $coordinates === [0] ? 'the centre' : self::worded($words, $coordinates, 'point');
    }

    /**
     * `ring 2, sector 3`
     *
     * @param  list<string>  $words  what the coordinates count
     * @param  list<int|null>  $coordinates  null for all there are
     */
    public static function worded(array $words, array $coordinates, string $else): string
    {
        if (count($words) !== count($coordinates)) {
            return $else.' '.implode(', ', array_map(strval(...), $coordinates));
        }

        return implode(
            ', ',
            array_map(
                static fn (string $word, ?int $value): string => $value === null ? "every $word" : "$word $value",
                $words,
                $coordinates,
            ),
        );
    }

    private function spot(Spot $spot): string
    {
        return self::numbers([$spot->u, $spot->v]).($spot->grid === null ? '' : ' of '.$this->step($spot->grid));
    }

    /** @param  list<mixed>  $raw */
    private function pair(array $raw): string
    {
        if ($raw === Plan::SHEET_CENTER || $raw == [$this->plan->width / 2, $this->plan->height / 2]) {
            return 'the centre of the sheet';
        }

        return implode(
            ', ',
            array_map(
                fn (mixed $one): string => is_string($one)
                    ? self::inArithmetic($one, $this->labels)
                    : Numerals::told(is_int($one) || is_float($one) ? (float) $one : 0.0),
                $raw,
            ),
        );
    }

    /** @param  array<array-key, mixed>  $raw */
    private function composed(array $raw): string
    {
        $number = fn (mixed $one): string => is_string($one)
            ? self::inArithmetic($one, $this->labels)
            : Numerals::told(is_int($one) || is_float($one) ? (float) $one : 0.0);
        $both = is_array($raw['between'] ?? null) ? array_values($raw['between']) : [];

        return match (true) {
            isset($raw['by']) => $this->pair(is_array($raw['by']) ? array_values($raw['by']) : []).
                ' from '.
                $this->place($raw['of'] ?? null),
            isset($raw['angle']) => $number($raw['distance'] ?? 0).
                ' at '.
                $number($raw['angle']).
                '° from '.
                $this->place($raw['of'] ?? null),
            isset($raw['between']) => $number($raw['share'] ?? 0).
                ' of the way from '.
                $this->place($both[0] ?? null).
                ' to '.
                $this->place($both[1] ?? null),
            default => 'in line with '.$this->place($raw['column'] ?? null).', level with '.$this->place($raw['row'] ?? null),
        };
    }

    /** @param  list<float>  $numbers */
    private static function numbers(array $numbers): string
    {
        return implode(', ', array_map(Numerals::told(...), $numbers));
    }

    /**
     * Measures, and what parts measure, by their names, as they are typed.
     *
     * @param  array<string, string>  $labels
     */
    public static function inArithmetic(string $arithmetic, array $labels): string
    {
        return preg_replace_callback(
            '/(?<![A-Za-z0-9_.])([a-z][a-z0-9]*)\.(value|wide|high|area|length)(?![A-Za-z0-9_])/',
            static fn (array $found): string => isset($labels[$found[1]])
                ? $labels[$found[1]].($found[2] === 'value' ? '' : ".$found[2]")
                : $found[0],
            $arithmetic,
        ) ?? $arithmetic;
    }
}
