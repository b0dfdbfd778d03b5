<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** Something that the sheet as a whole says: a field like those of kinds, and what it is where the sheet says nothing. */
final readonly class Property
{
    /**
     * @param  string  $expected  what may stand there, in messages
     * @param  \Closure(float, float, Unit): mixed  $usual  what it is unsaid, by the width and the height of the sheet, and its unit
     * @param  'ground'|'colours'|'checks'  $under  the sentence of the sheet that says it
     * @param  string  $phrase  how that does; `{name}` stands for it
     * @param  (\Closure(mixed, float, float): bool)|null  $fits  whether what it comes to suits a sheet so wide and high
     * @param  (\Closure(Plan): bool)|null  $matters  whether it is said though the sheet does not say it; null for always
     */
    public function __construct(
        public Field $field,
        public string $expected,
        private \Closure $usual,
        public string $under,
        public string $phrase,
        private ?\Closure $fits = null,
        private ?\Closure $matters = null,
    ) {
    }

    /** As the plan has it: `light`, or `checks.miss`. */
    public function name(): string
    {
        return $this->field->name;
    }

    public function usual(float $width, float $height, Unit $unit): mixed
    {
        return ($this->usual)($width, $height, $unit);
    }

    public function fits(mixed $value, float $width, float $height): bool
    {
        return $this->fits === null || ($this->fits)($value, $width, $height);
    }

    public function matters(Plan $plan): bool
    {
        return $this->matters === null || ($this->matters)($plan);
    }

    /** What a sheet says for it; null where it says nothing. */
    public function raw(mixed $sheet): mixed
    {
        foreach (explode('.', $this->field->name) as $key) {
            $sheet = is_array($sheet) ? $sheet[$key] ?? null : null;
        }

        return $sheet;
    }
}
