<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** A picture: `sha256:…` of what was brought in, or the path of a file beside the plan. */
final class SourceField extends Field
{
    private const LONGEST = 400;

    public function type(): string
    {
        return 'source';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || $raw === '' || strlen($raw) > self::LONGEST || preg_match('/[\x00-\x1F]/', $raw) === 1) {
            throw Unusable::at($pointer, 'sha256:… of a picture that was brought in, or the path of a file beside the plan');
        }
    }

    public function resolve(mixed $raw, Scope $scope): PictureFile
    {
        return $scope->plan->pictures?->find(is_string($raw) ? $raw : '') ??
            throw new FieldFault($this->name, 'lost', 'the picture is not there: it was never brought in here, or is no PNG, JPEG or WebP');
    }

    public function references(mixed $raw): array
    {
        return [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return $raw;
    }

    public function sample(Sampling $lot): string
    {
        return $lot->one(['sha256:'.str_repeat('0', 64), 'harbour.png']);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => self::LONGEST];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? (str_starts_with($raw, 'sha256:') ? mb_substr($raw, 7, 6).'…' : basename($raw)) : '';
    }
}
