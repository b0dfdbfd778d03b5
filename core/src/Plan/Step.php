<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** One sentence of the plan, as written: its parameters are not worked out yet. */
final class Step
{
    /** @var list<string>|null */
    private ?array $references = null;

    /**
     * @param  array<string, mixed>  $parameters by name, nested ones as nested arrays
     * @param  int  $number  the least that it is called by where it has no name: others before it went, and it kept its own
     * @param  bool  $fast  whether it is held fast: not dragged by hand
     */
    public function __construct(
        public readonly string $id,
        public readonly Kind $kind,
        public readonly ?string $name,
        public readonly bool $muted,
        public readonly bool $hidden,
        public readonly array $parameters,
        public readonly int $number = 1,
        public readonly bool $fast = false,
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
        if (! str_contains($field, '.')) {
            return $this->parameters[$field] ?? null;
        }
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
        if ($this->references !== null) {
            return $this->references;
        }
        $ids = [];
        foreach ($this->kind->fields() as $field) {
            $raw = $this->raw($field->name);
            if ($raw !== null) {
                array_push($ids, ...$field->references($raw));
            }
        }

        return $this->references = array_values(array_unique($ids));
    }
}
