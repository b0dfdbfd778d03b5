<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** One sentence of the plan, as written: its parameters are not worked out yet. */
final readonly class Step
{
    /**
     * @param  array<string, mixed>  $parameters by name, nested ones as nested arrays
     * @param  int  $number  the least that it is called by where it has no name: others before it went, and it kept its own
     * @param  bool  $fast  whether it is held fast: not dragged by hand
     */
    public function __construct(
        public string $id,
        public Kind $kind,
        public ?string $name,
        public bool $muted,
        public bool $hidden,
        public array $parameters,
        public int $number = 1,
        public bool $fast = false,
    ) {
    }

    /**
     * What the plan says for a field.
     *
     * @param  string  $field  `radius`, or `stroke.width` for one inside another
     * @return mixed null where it says nothing
     */
    public function raw(string $field): mixed
    {
        $value = $this->parameters;
        foreach (explode('.', $field) as $key) {
            if (! is_array($value) || ! array_key_exists($key, $value)) {
                return null;
            }
            $value = $value[$key];
        }

        return $value;
    }

    public function says(string $field): bool
    {
        return $this->raw($field) !== null;
    }

    /** @return list<string> ids of the steps that this one is built on, as far as it names them */
    public function references(): array
    {
        $ids = [];
        foreach ($this->kind->fields() as $field) {
            if ($this->says($field->name)) {
                array_push($ids, ...$field->references($this->raw($field->name)));
            }
        }

        return array_values(array_unique($ids));
    }
}
