<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Sternbild\Core\Geometry\Vec;

/** What is done to a picture before it is shown. */
final class StraightenRequest extends FormRequest
{
    private const NUMBERS = '/^-?\d{1,6}(\.\d{1,12})?( -?\d{1,6}(\.\d{1,12})?){%d}$/D';

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'corners' => ['sometimes', 'string', 'regex:'.sprintf(self::NUMBERS, 7)],
            'crop' => ['sometimes', 'string', 'regex:'.sprintf(self::NUMBERS, 3)],
            'even' => ['sometimes', 'boolean'],
        ];
    }

    public function changes(): bool
    {
        return $this->hasAny(['corners', 'crop', 'even']);
    }

    /** @return list<Vec> in pixels; none where it is not straightened */
    public function corners(): array
    {
        $numbers = $this->numbers('corners');

        return array_map(static fn (array $two): Vec => new Vec($two[0], $two[1] ?? 0.0), array_chunk($numbers, 2));
    }

    /** @return array{float, float, float, float}|null */
    public function crop(): ?array
    {
        $numbers = $this->numbers('crop');

        return count($numbers) === 4 ? $numbers : null;
    }

    /** @return list<float> */
    private function numbers(string $name): array
    {
        return array_map(
            floatval(...),
            array_values(array_filter(explode(' ', $this->string($name)->value()), static fn (string $one): bool => $one !== '')),
        );
    }
}
