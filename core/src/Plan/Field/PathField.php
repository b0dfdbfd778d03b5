<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Svg\PathText;

/** Path data as SVG writes it. */
final class PathField extends Field
{
    private const LONGEST = 2_000_000;

    public function type(): string
    {
        return 'path';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || trim($raw) === '' || strlen($raw) > self::LONGEST) {
            throw Unusable::at($pointer, 'SVG path data, such as "M 0 0 H 80 V 40 Z"');
        }
    }

    public function resolve(mixed $raw, Scope $scope): string
    {
        [$runs, $fault] = PathText::read(is_string($raw) ? $raw : '');
        if ($fault !== null) {
            throw new FieldFault($this->name, 'number', "its path data cannot be read: $fault");
        }
        if ($runs === []) {
            throw new FieldFault($this->name, 'empty', 'its path data draw nothing');
        }

        return is_string($raw) ? $raw : '';
    }

    public function sample(Sampling $lot): string
    {
        [$x, $y, $wide, $high] = [$lot->number(0, 600), $lot->number(0, 600), $lot->number(20, 200), $lot->number(20, 200)];

        return $lot->one([
            "M$x {$y}h{$wide}v{$high}h-{$wide}z",
            "M$x {$y}c$wide 0 $wide $high 0 {$high}z",
            "M$x {$y}a$wide $high 20 1 0 $high {$wide}z",
            "M$x {$y}q$wide $high 0 $wide t-$high 0z m10 10l$wide $high -$wide 0z",
        ]);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => self::LONGEST];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $count = is_string($raw) ? array_sum(array_map(static fn (array $run): int => count($run[0]), PathText::read($raw)[0])) : 0;

        return $count.($count === 1 ? ' curve' : ' curves');
    }
}
