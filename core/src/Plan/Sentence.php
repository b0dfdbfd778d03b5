<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A step as a plain sentence, in pieces: words, parameters that can be edited in place, and what it comes to. */
final class Sentence
{
    /**
     * @param  array<string, string>  $labels  of the steps
     * @param  array<string, float>  $numbers  what the step's numbers came to, where it has a result
     * @param  Asking|null  $asking  what is asked for before a step is made; null where that does not matter
     * @return list<Piece>
     */
    public static function pieces(Step $step, Plan $plan, array $labels, array $numbers, ?Asking $asking = null): array
    {
        $fields = [];
        foreach ($step->kind->fields() as $field) {
            $fields[$field->name] = $field;
        }
        $template = $step->kind->sentence($step);
        if ($step->name !== null) {
            $template = mb_strtolower(mb_substr($template, 0, 1)).mb_substr($template, 1);
        }

        return self::filled(
            $template,
            $fields,
            $step->raw(...),
            $plan,
            $labels,
            $numbers,
            $asking === null ? null : static fn (string $name): bool => self::staysSaid($fields[$name] ?? null, $step, $asking),
        );
    }

    /**
     * A sentence from its template, as kinds write it.
     *
     * @param  array<string, Field>  $fields  that it names
     * @param  callable(string): mixed  $raw  what is written for a field; null where nothing is
     * @param  array<string, string>  $labels  of the steps
     * @param  array<string, float>  $numbers  what numbers came to
     * @param  (callable(string): bool)|null  $staysSaid  whether a field is said though nothing is written for it
     * @return list<Piece>
     */
    public static function filled(
        string $template,
        array $fields,
        callable $raw,
        Plan $plan,
        array $labels,
        array $numbers,
        ?callable $staysSaid = null,
    ): array {
        $pieces = [];
        foreach (self::parsed($template) as [$optional, $named, $parts]) {
            $said = ! $optional || array_filter($named, static fn (string $name): bool => $raw($name) !== null) !== [];
            $isUsual = ! $said && $staysSaid !== null && array_filter($named, $staysSaid) !== [];
            $begun = count($pieces);
            foreach ($parts as [$name, $text]) {
                if (str_starts_with($name ?? '', '=')) {
                    [$name, $text] = [null, self::result((string) $name, $plan, $numbers)];
                }
                $pieces[] =
                    $name === null
                        ? new Piece($text, optional: $optional, said: $said)
                        : self::parameter(
                            $fields[$name],
                            $raw($name) ?? $fields[$name]->default,
                            $plan,
                            $labels,
                            $numbers,
                            $optional,
                            $said,
                        );
            }
            for ($k = $begun; $isUsual && $k < count($pieces); $k++) {
                $pieces[$k] = $pieces[$k]->saidAsUsual();
            }
        }

        return self::counted($pieces);
    }

    /**
     * Numbers and choices that are asked for before the step is made are found again in its sentence, also where they are what they usually
     * are.
     */
    private static function staysSaid(?Field $field, Step $step, Asking $asking): bool
    {
        return $field !== null && $field->default !== null && in_array($field->type(), ['number', 'pair', 'choice', 'switch'], true)
            && in_array($field->name, $asking->askedFor($step->kind), true) && $field->means($step);
    }

    /**
     * Of one thing the word behind its number says one.
     *
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function counted(array $pieces): array
    {
        foreach ($pieces as $k => $piece) {
            $number = $pieces[$k - 1] ?? null;
            if (
                $piece->field === null &&
                $number !== null &&
                $number->field !== null &&
                $number->text === '1' &&
                preg_match('/^ (\p{L}{2,}[^s\W]s)\b/u', $piece->text, $found) === 1 &&
                $found[1] !== 'times'
            ) {
                $pieces[$k] = $piece->reading(' '.self::singular($found[1]).substr($piece->text, 1 + strlen($found[1])));
            }
        }

        return $pieces;
    }

    private static function singular(string $word): string
    {
        return match (true) {
            str_ends_with($word, 'ies') => substr($word, 0, -3).'y',
            preg_match('/(x|ch|sh|ss)es$/', $word) === 1 => substr($word, 0, -2),
            default => substr($word, 0, -1),
        };
    }

    /**
     * @return list<array{bool, list<string>, list<array{string|null, string}>}> of each run whether it is optional, the fields in it, and
     *   its pieces:
     *   a field, or text
     */
    private static function parsed(string $template): array
    {
        /** @var array<string, list<array{bool, list<string>, list<array{string|null, string}>}>> $known there are a few for each kind */
        static $known = [];
        if (isset($known[$template])) {
            return $known[$template];
        }
        $runs = [];
        foreach (preg_split('/(\[[^]]*\])/', $template, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $run) {
            preg_match_all('/\{([a-z.]+)\}/', $run, $named);
            $pieces =
                preg_split('/(\{=?[a-z.]+°?(?:\|[^}]*)?\})/u', trim($run, '[]'), -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [];
            $runs[] = [
                str_starts_with($run, '['),
                $named[1],
                array_map(static fn (string $piece): array => [str_starts_with($piece, '{') ? trim($piece, '{}') : null, $piece], $pieces),
            ];
        }

        return $known[$template] = $runs;
    }

    /**
     * What a step comes to, where that is a number of its own: ` = 40 px`.
     *
     * @param  string  $name  `=value`, with a sign of degrees behind it where it is an angle, words before the number that are said with it
     *   only, and others where it comes to none: `=costs|, at a cost of|, but not so`
     * @param  array<string, float>  $numbers
     */
    private static function result(string $name, Plan $plan, array $numbers): string
    {
        [$name, $words, $without] = [...explode('|', $name, 3), '', ''];
        $value = $numbers[rtrim(ltrim($name, '='), '°')] ?? null;

        // Without any numbers the step is not worked out yet.
        return $value === null
            ? ($numbers === []
                ? ''
                : $without)
            : "$words = ".Numerals::plain(round($value, 3)).(str_ends_with($name, '°') ? '°' : " {$plan->unit->value}");
    }

    /**
     * The same in one line of text.
     *
     * @param  array<string, string>  $labels
     */
    public static function text(Step $step, Plan $plan, array $labels): string
    {
        $said = array_filter(
            self::pieces($step, $plan, $labels, []),
            static fn (Piece $piece): bool => $piece->said && ! $piece->usual,
        );
        $text = implode('', array_map(static fn (Piece $piece): string => $piece->text, $said));

        return $step->name === null ? $text : "{$step->name}: $text";
    }

    /**
     * @param  array<string, string>  $labels
     * @param  array<string, float>  $numbers
     */
    private static function parameter(
        Field $field,
        mixed $raw,
        Plan $plan,
        array $labels,
        array $numbers,
        bool $optional,
        bool $said,
    ): Piece {
        $value = $numbers[$field->name] ?? null;

        return new Piece(
            $raw === null ? 'not given' : $field->text($raw, $plan, $labels),
            $field->name,
            // The addresses of thousands of cells stay where they are, in the plan.
            $field->type() === 'cells' ? null : $raw,
            $value === null ? null : (float) Numerals::plain($value),
            $raw === null ? null : $field->items($raw, $plan, $labels),
            $optional,
            $said,
        );
    }
}
