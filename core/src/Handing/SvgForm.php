<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** Outlines. */
final class SvgForm extends FileForm
{
    public function name(): string
    {
        return 'svg';
    }

    public function rank(): int
    {
        return 1;
    }

    public function isQuick(): bool
    {
        return true;
    }

    public function options(Handed $of): array
    {
        return [Shown::fieldWithUses()];
    }

    public function ending(array $asked): string
    {
        return 'svg';
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        file_put_contents($path, Shown::svg($of->scene(), $asked));
    }
}
