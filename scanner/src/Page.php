<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** A sheet of paper in the tray; its size is in millimetres. */
final readonly class Page
{
    public function __construct(public string $name, public string $title, public float $width, public float $height, public string $file)
    {
    }

    /** @return array{page: string, title: string, width: float, height: float} */
    public function told(): array
    {
        return ['page' => $this->name, 'title' => $this->title, 'width' => $this->width, 'height' => $this->height];
    }
}
