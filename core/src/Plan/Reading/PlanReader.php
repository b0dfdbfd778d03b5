<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Reading;

use Sternbild\Core\Plan\Arithmetic;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Plan\Values;

/** Reads a plan and checks its form. What it lets through can be evaluated; what goes wrong then is a finding. */
final readonly class PlanReader
{
    public const FORMAT = 'sternbild-plan';

    public const VERSION = 1;

    public const LARGEST_FILE = 5 * 1024 * 1024;

    /** Of which all that has to be known to show them still fits into a request. */
    public const MOST_STEPS = 9_000;

    private const DEEPEST = 32;

    /** Number of a step, in its id or by which it is called. */
    public const HIGHEST = 9_999_999;

    private const LONGEST_NAME = 80;

    private const NAME = 'a name of 1 to '.self::LONGEST_NAME.' characters without markup (< >) and control characters';

    public function __construct(private Kinds $kinds)
    {
    }

    /** @throws Unusable */
    public function fromJson(string $json): Plan
    {
        return $this->fromArray(self::decode($json));
    }

    public static function tooLarge(int $bytes): Unusable
    {
        return Unusable::at('', 'at most 5 MB; it has '.number_format($bytes / 1024 / 1024, 1).' MB');
    }

    /**
     * @return array<array-key, mixed>
     *
     * @throws Unusable
     */
    public static function decode(string $json): array
    {
        if (strlen($json) > self::LARGEST_FILE) {
            throw self::tooLarge(strlen($json));
        }
        try {
            $plan = json_decode($json, true, self::DEEPEST, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw Unusable::at('', "JSON; it is not: {$fault->getMessage()}");
        }

        return is_array($plan) ? $plan : throw Unusable::at('', 'a JSON object');
    }

    /**
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     */
    public function fromArray(array $plan): Plan
    {
        if (($plan['format'] ?? null) !== self::FORMAT) {
            throw Unusable::at('/format', '"'.self::FORMAT.'"');
        }
        if (($plan['version'] ?? null) !== self::VERSION) {
            throw Unusable::at('/version', (string) self::VERSION);
        }
        self::onlyKeys($plan, ['format', 'version', 'sheet', 'values', 'palette', 'chapters', 'given', 'steps'], '');
        $sheet = SheetProperties::read($plan['sheet'] ?? null);
        ['width' => $width, 'height' => $height, 'unit' => $unit, 'background' => $background, 'light' => $light] = $sheet;
        [$width, $height, $unit] = [self::float($width), self::float($height), Unit::from(is_string($unit) ? $unit : '')];
        $background = is_string($background) ? $background : null;
        self::checkGiven($plan['given'] ?? []);
        $steps = $this->steps($plan['steps'] ?? null);

        return new Plan(
            $width,
            $height,
            $unit,
            $background,
            Values::of(self::values($plan['values'] ?? []), $width, $height, $unit, self::float($light)),
            self::palette($plan['palette'] ?? [], $background),
            $steps,
            self::chapters($plan['chapters'] ?? [], $steps),
            $this->kinds->pictures,
            $sheet,
            is_array($plan['sheet']) ? $plan['sheet'] : [],
        );
    }

    private static function float(mixed $number): float
    {
        return is_float($number) ? $number : 0.0;
    }

    /**
     * @return array<string, int|float|string>
     *
     * @throws Unusable
     */
    private static function values(mixed $values): array
    {
        if (! is_array($values)) {
            throw Unusable::at('/values', 'an object of numbers by name');
        }
        $reserved = Arithmetic::reserved();
        $read = [];
        foreach ($values as $name => $value) {
            $name = (string) $name;
            $pointer = '/values/'.self::escaped($name);
            if (preg_match('/^[A-Za-z][A-Za-z0-9_]{0,39}$/D', $name) !== 1 || in_array($name, $reserved, true)) {
                throw Unusable::at($pointer, 'a name of letters, digits and _ that arithmetic does not use otherwise');
            }
            if (! is_string($value) && ! is_int($value) && ! (is_float($value) && is_finite($value))) {
                throw Unusable::at($pointer, 'a number or arithmetic');
            }
            $read[$name] = $value;
        }

        return $read;
    }

    /**
     * @return array<string, string>
     *
     * @throws Unusable
     */
    private static function palette(mixed $palette, ?string $background): array
    {
        if (! is_array($palette)) {
            throw Unusable::at('/palette', 'an object of colours by name');
        }
        $read = [];
        foreach ($palette as $name => $colour) {
            $pointer = '/palette/'.self::escaped((string) $name);
            if (preg_match('/'.ColourField::NAME.'/uD', (string) $name) !== 1 || $name === 'none') {
                throw Unusable::at($pointer, 'a colour name of letters, digits, spaces, _ and -, at most 40');
            }
            if (! is_string($colour) || preg_match('/'.ColourField::HEX.'/D', $colour) !== 1) {
                throw Unusable::at($pointer, 'a colour as #rrggbb');
            }
            $read[(string) $name] = strtolower($colour);
        }
        if ($background !== null && ! str_starts_with($background, '#') && ! isset($read[$background])) {
            throw Unusable::at('/sheet/background', "a colour of the palette, which has no “{$background}”");
        }

        return $read;
    }

    /** @throws Unusable */
    private static function checkGiven(mixed $given): void
    {
        if (! is_array($given) || ($given !== [] && array_is_list($given))) {
            throw Unusable::at('/given', 'an object: by the letter that ids begin with the highest number that was given behind it');
        }
        foreach ($given as $letter => $number) {
            if (preg_match('/^[a-z]$/D', (string) $letter) !== 1 || ! is_int($number) || $number < 1 || $number > self::HIGHEST) {
                throw Unusable::at(
                    '/given/'.self::escaped((string) $letter),
                    'a small letter with a whole number from 1 to '.self::HIGHEST,
                );
            }
        }
    }

    /**
     * @param  array<string, Step>  $steps
     * @return array<string, string>
     *
     * @throws Unusable
     */
    private static function chapters(mixed $chapters, array $steps): array
    {
        if (! is_array($chapters) || ! array_is_list($chapters)) {
            throw Unusable::at('/chapters', 'a list of chapters, each with name and from');
        }
        $read = [];
        foreach ($chapters as $index => $chapter) {
            $pointer = "/chapters/$index";
            if (! is_array($chapter)) {
                throw Unusable::at($pointer, 'a chapter: an object with name and from');
            }
            self::onlyKeys($chapter, ['name', 'from'], $pointer);
            if (! is_string($chapter['name'] ?? null) || ! self::isName($chapter['name'])) {
                throw Unusable::at("$pointer/name", self::NAME);
            }
            $from = $chapter['from'] ?? null;
            if (! is_string($from) || ! isset($steps[$from]) || isset($read[$from])) {
                throw Unusable::at("$pointer/from", 'the id of a step of the plan with which no other chapter begins');
            }
            $read[$from] = $chapter['name'];
        }

        return $read;
    }

    /**
     * @return array<string, Step>
     *
     * @throws Unusable
     */
    private function steps(mixed $steps): array
    {
        if (! is_array($steps) || ! array_is_list($steps) || count($steps) > self::MOST_STEPS) {
            throw Unusable::at('/steps', 'a list of at most '.self::MOST_STEPS.' steps');
        }
        $read = [];
        $pointers = [];
        foreach ($steps as $index => $raw) {
            $step = $this->step($raw, "/steps/$index");
            if (isset($read[$step->id])) {
                throw Unusable::at("/steps/$index/id", "an id that no other step has; “{$step->id}” stands twice");
            }
            $read[$step->id] = $step;
            $pointers[$step->id] = $index;
        }
        foreach ($read as $id => $step) {
            foreach ($step->references() as $reference) {
                if (($pointers[$reference] ?? -1) >= $pointers[$id]) {
                    throw Unusable::at(
                        "/steps/{$pointers[$id]}".$this->fieldNaming($step, $reference),
                        "an earlier step; “{$reference}” ".($reference === $id ? 'is the step itself' : "stands behind “{$id}”"),
                    );
                }
            }
        }

        return $read;
    }

    /** @throws Unusable */
    private function step(mixed $raw, string $pointer): Step
    {
        if (! is_array($raw)) {
            throw Unusable::at($pointer, 'a step: an object with id and kind');
        }
        $id = $raw['id'] ?? null;
        if (! is_string($id) || preg_match('/^[a-z][a-z0-9]{0,39}$/D', $id) !== 1 || $id === 'sheet') {
            throw Unusable::at("$pointer/id", 'an id: a small letter, then small letters and digits, and not “sheet”');
        }
        $kind = is_string($raw['kind'] ?? null) ? $this->kinds->get($raw['kind']) : null;
        if ($kind === null) {
            throw Unusable::at("$pointer/kind", 'one of '.implode(', ', $this->kinds->names()));
        }
        $name = $raw['name'] ?? null;
        if ($name !== null && (! is_string($name) || ! self::isName($name))) {
            throw Unusable::at("$pointer/name", self::NAME);
        }
        foreach (['muted', 'hidden', 'fast'] as $switch) {
            if (isset($raw[$switch]) && ! is_bool($raw[$switch])) {
                throw Unusable::at("$pointer/$switch", 'true or false');
            }
        }
        $number = $raw['number'] ?? 1;
        if (! is_int($number) || $number < 1 || $number > self::HIGHEST) {
            throw Unusable::at("$pointer/number", 'a whole number from 1 to '.self::HIGHEST);
        }
        $parameters = array_diff_key($raw, array_flip(['id', 'kind', 'name', 'number', 'muted', 'hidden', 'fast']));
        $step = new Step(
            $id,
            $kind,
            $name,
            ($raw['muted'] ?? false) === true,
            ($raw['hidden'] ?? false) === true,
            self::named($parameters),
            $number,
            ($raw['fast'] ?? false) === true,
        );
        self::checkFields($step, $pointer);

        return $step;
    }

    /** @throws Unusable */
    private static function checkFields(Step $step, string $pointer): void
    {
        $allowed = ['' => []];
        foreach ($step->kind->fields() as $field) {
            $path = explode('.', $field->name);
            $allowed[''][] = $path[0];
            if (isset($path[1])) {
                $allowed[$path[0]][] = $path[1];
                $outer = $step->raw($path[0]);
                if ($outer !== null && (! is_array($outer) || ($outer !== [] && array_is_list($outer)))) {
                    throw Unusable::at("$pointer/{$path[0]}", 'an object');
                }
            }
            $raw = $step->raw($field->name);
            $at = $pointer.'/'.str_replace('.', '/', $field->name);
            if ($raw !== null) {
                $field->check($raw, $at);
            } elseif ($field->required) {
                throw Unusable::at($at, "the {$field->label}, which is missing");
            }
        }
        foreach ($allowed as $outer => $keys) {
            $given = $outer === '' ? $step->parameters : $step->raw($outer);
            if (is_array($given)) {
                self::onlyKeys($given, $keys, $outer === '' ? $pointer : "$pointer/$outer");
            }
        }
    }

    /** A name that people gave, fit to be shown anywhere. */
    public static function isName(string $name): bool
    {
        return trim($name) !== ''
            && mb_check_encoding($name, 'UTF-8')
            && mb_strlen($name) <= self::LONGEST_NAME
            && preg_match('/[<>\x00-\x1F\x7F]/', $name) !== 1;
    }

    private function fieldNaming(Step $step, string $reference): string
    {
        foreach ($step->kind->fields() as $field) {
            if ($step->says($field->name) && in_array($reference, $field->references($step->raw($field->name)), true)) {
                return '/'.str_replace('.', '/', $field->name);
            }
        }

        return '';
    }

    /**
     * @param  array<array-key, mixed>  $given
     * @param  list<string>  $keys
     *
     * @throws Unusable
     */
    public static function onlyKeys(array $given, array $keys, string $pointer): void
    {
        foreach (array_keys($given) as $key) {
            if (! in_array((string) $key, $keys, true)) {
                throw Unusable::at(
                    $pointer.'/'.self::escaped((string) $key),
                    'nothing; known here are '.implode(', ', array_unique($keys)),
                );
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $given
     * @return array<string, mixed>
     */
    private static function named(array $given): array
    {
        $named = [];
        foreach ($given as $key => $value) {
            $named[(string) $key] = $value;
        }

        return $named;
    }

    private static function escaped(string $key): string
    {
        return strtr(mb_scrub($key), ['~' => '~0', '/' => '~1']);
    }
}
