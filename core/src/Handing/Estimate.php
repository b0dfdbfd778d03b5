<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** What a file will be, told before it is made. */
final readonly class Estimate
{
    /**
     * @param  list<string>  $told  in sentences
     * @param  list<array{label: string, options: array<string, mixed>}>  $instead  options that would do better, with what they give
     */
    public function __construct(public array $told = [], public array $instead = [])
    {
    }

    /** @return array{told: list<string>, instead: list<array{label: string, options: array<string, mixed>}>} */
    public function describe(): array
    {
        return ['told' => $this->told, 'instead' => $this->instead];
    }
}
