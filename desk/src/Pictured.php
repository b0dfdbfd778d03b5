<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** A choice of a field that is shown as a picture. */
final readonly class Pictured
{
    /**
     * @param  string  $heading  under which it stands
     * @param  string  $picture  SVG path data in a square of 96
     * @param  string|null  $text  what it goes by, where a value stands there twice
     * @param  array<string, mixed>|null  $also  what other fields are set along with it; `{w}` and `{h}` in them are how wide and high they are
     */
    public function __construct(
        public string $value,
        public string $heading,
        public string $picture,
        public ?string $text = null,
        public ?array $also = null,
    ) {
    }

    /**
     * @param  string  $text  what the value goes by elsewhere
     * @return array<string, mixed> as the interface gets it
     */
    public function describe(string $text): array
    {
        return [
            'text' => $this->text ?? $text,
            'value' => $this->value,
            'heading' => $this->heading,
            'picture' => $this->picture,
            ...$this->also === null ? [] : ['also' => $this->also],
        ];
    }
}
