<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** What of a picture is kept: left, top, width and height as shares of the whole. */
final class FrameField extends Field
{
    private const WORDS = ['left', 'top', 'width', 'height'];

    public function type(): string
    {
        return 'frame';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 4) {
            throw Unusable::at($pointer, 'four shares of the whole: left, top, width and height, such as [0.1, 0, 0.8, 1]');
        }
        foreach ($raw as $k => $share) {
            $this->share($k)->check($share, "$pointer/$k");
        }
    }

    /** @return list<float> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $shares = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $k => $share) {
            $shares[] = $this->share($k)->resolve($share, $scope);
        }
        if (
            count($shares) !== 4 ||
            $shares[2] <= 0.0 ||
            $shares[3] <= 0.0 ||
            1.0 + 1e-9 < $shares[0] + $shares[2] ||
            1.0 + 1e-9 < $shares[1] + $shares[3]
        ) {
            throw new FieldFault($this->name, 'number', 'what is kept has to lie within the picture, and to be more than nothing');
        }

        return $shares;
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? self::idsInArithmetic(array_values(array_filter($raw, is_string(...)))) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw) : $raw;
    }

    /** @return list<float> */
    public function sample(Sampling $lot): array
    {
        return [0.1, $lot->number(0, 4) / 10, 0.5, 0.4];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => ['number', 'string']], 'minItems' => 4, 'maxItems' => 4];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $share = $this->share(0);

        return implode(', ', array_map(static fn (mixed $one): string => $share->text($one, $plan, $labels), is_array($raw) ? $raw : []));
    }

    private function share(int $k): NumberField
    {
        return NumberField::share("{$this->name}.$k", (self::WORDS[$k] ?? '')." of the {$this->label}", 0);
    }
}
