<?php

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use Sternbild\Core\Format\PlanJson;

/**
 * A plan in a JSONB column. The database keeps no order of keys; the published order is put back when it is written out.
 *
 * @implements CastsAttributes<array<array-key, mixed>, array<array-key, mixed>>
 */
final class PlanCast implements CastsAttributes
{
    /** @return array<array-key, mixed> */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $plan = json_decode(is_string($value) ? $value : '', true, 64, JSON_THROW_ON_ERROR);

        return is_array($plan) ? $plan : throw new \UnexpectedValueException("The plan of revision {$model->getKey()} is not an object.");
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return PlanJson::compact(is_array($value) ? $value : throw new \InvalidArgumentException('A plan is an array.'));
    }
}
