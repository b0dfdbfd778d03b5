<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A piece of a sentence: words, or a parameter that can be edited in place. */
final readonly class Piece implements \JsonSerializable
{
    /**
     * @param  string|null  $field  null of words
     * @param  mixed  $raw  as the plan says the field, or what is taken where it does not
     * @param  float|null  $value  what it came to, where it is a number
     * @param  list<string>|null  $items  of a field that lists things, each in words
     * @param  bool  $optional  whether it is left out while nothing of its run is `$said`
     * @param  bool  $usual  whether it is said though the plan does not say it
     */
    public function __construct(
        public string $text,
        public ?string $field = null,
        public mixed $raw = null,
        public ?float $value = null,
        public ?array $items = null,
        public bool $optional = false,
        public bool $said = true,
        public bool $usual = false,
    ) {
    }

    public function reading(string $text): self
    {
        return new self($text, $this->field, $this->raw, $this->value, $this->items, $this->optional, $this->said, $this->usual);
    }

    public function saidAsUsual(): self
    {
        return new self($this->text, $this->field, $this->raw, $this->value, $this->items, $this->optional, true, true);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'text' => $this->text,
            'field' => $this->field,
            'raw' => $this->raw,
            'value' => $this->value,
            'optional' => $this->optional,
            'said' => $this->said,
            'items' => $this->items,
            ...$this->usual ? ['usual' => true] : [],
        ];
    }
}
