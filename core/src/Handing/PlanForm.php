<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Field\SwitchField;

/** The construction itself. */
final class PlanForm extends FileForm
{
    public function name(): string
    {
        return 'plan';
    }

    public function rank(): int
    {
        return 8;
    }

    public function isQuick(): bool
    {
        return true;
    }

    public function options(Handed $of): array
    {
        return $of->pack === null
            ? []
            : [new SwitchField('packed', 'with its pictures, in one zip', 'with its pictures', 'without pictures')];
    }

    public function proposed(Handed $of): array
    {
        return ['packed' => true];
    }

    public function ending(array $asked): string
    {
        return ($asked['packed'] ?? false) === true ? 'zip' : 'json';
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        if ($of->pack !== null && ($asked['packed'] ?? false) === true) {
            ($of->pack)($path);
        } else {
            file_put_contents($path, PlanJson::pretty($of->plan));
        }
    }
}
