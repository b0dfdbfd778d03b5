<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** What a step's result is for. */
enum Role: string
{
    case Grid = 'grid';
    case Guide = 'guide';
    case Overlay = 'overlay';
    case Part = 'part';
    case Picture = 'picture';
    case Measure = 'measure';
    case Look = 'look';

    /** As messages name one of them. */
    public function noun(): string
    {
        return match ($this) {
            self::Overlay => 'an overlay',
            default => "a {$this->value}",
        };
    }
}
