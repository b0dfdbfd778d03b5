<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Sizes of pictures in whole pixels, each once. */
final class SizesField extends Field
{
    private const LARGEST = 2048;

    private const MOST = 8;

    /** @param  non-empty-list<int>  $usual */
    public function __construct(string $name, string $label, array $usual)
    {
        parent::__construct($name, $label, false, $usual);
    }

    public function type(): string
    {
        return 'sizes';
    }

    public function check(mixed $raw, string $pointer): void
    {
        $sizes =
            is_array($raw) && array_is_list($raw)
                ? array_filter($raw, static fn (mixed $one): bool => is_int($one) && $one >= 1 && $one <= self::LARGEST)
                : [];
        if ($sizes === [] || $sizes !== $raw || count($sizes) > self::MOST || count(array_unique($sizes)) !== count($sizes)) {
            throw Unusable::at($pointer, 'a list of 1 to '.self::MOST.' whole numbers of pixels from 1 to '.self::LARGEST.', none twice');
        }
    }

    public function resolve(mixed $raw, Scope $scope): mixed
    {
        return $raw;
    }

    /** @return list<int> */
    public function sample(Sampling $lot): array
    {
        return [$lot->whole(1, self::LARGEST)];
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'minItems' => 1,
            'maxItems' => self::MOST,
            'uniqueItems' => true,
            'items' => ['type' => 'integer', 'minimum' => 1, 'maximum' => self::LARGEST],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_array($raw) ? implode(', ', array_filter($raw, is_int(...))) : '';
    }
}
