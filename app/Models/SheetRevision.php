<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Storage\Difference;

/**
 * One accepted change of a sheet, with the plan as it was then: whole, or as a difference to one that is kept whole. Its plan is never
 * altered.
 *
 * @property int $id
 * @property string $sheet_id
 * @property int $number
 * @property int|null $parent
 * @property int|null $base
 * @property-read array<array-key, mixed> $plan  of a revision that was read as Sheet::headRevision() does
 * @property string $label
 * @property int $user_id
 * @property string $change
 * @property int $bytes
 * @property Carbon $created_at
 */
final class SheetRevision extends Model
{
    /** On one that is kept whole there stand at most so many differences in a row. */
    public const DIFFERENCES = 49;

    public const UPDATED_AT = null;

    protected $fillable = ['number', 'parent', 'whole', 'base', 'difference', 'bytes', 'label', 'user_id', 'change'];

    /**
     * How a plan is stored, in the form of this model's attributes: as a difference where that is worth it.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array{whole: string|null, base: int|null, difference: string|null, bytes: int}
     */
    public static function stored(array $plan, ?self $before): array
    {
        $whole = PlanJson::compact($plan);
        if ($before !== null && $before->number - $before->baseNumber() < self::DIFFERENCES) {
            $difference = json_encode(
                Difference::between($before->wholePlan(), $plan),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            );
            if (strlen($difference) < strlen($whole) / 2) {
                return ['whole' => null, 'base' => $before->baseNumber(), 'difference' => $difference, 'bytes' => strlen($difference)];
            }
        }

        return ['whole' => $whole, 'base' => null, 'difference' => null, 'bytes' => strlen($whole)];
    }

    /** @return Attribute<array<array-key, mixed>, never> */
    protected function plan(): Attribute
    {
        return Attribute::get(function (): array {
            $difference = $this->getRawOriginal('difference');
            $plan = $difference === null ? $this->wholePlan() : Difference::apply($this->wholePlan(), self::decoded($difference));

            return is_array($plan) ? $plan : throw new \UnexpectedValueException("The plan of revision $this->id is not an object.");
        })->shouldCache();
    }

    private function baseNumber(): int
    {
        return $this->base ?? $this->number;
    }

    /** @return array<array-key, mixed> the plan that this one is a difference to, or its own */
    private function wholePlan(): array
    {
        return self::decoded($this->getRawOriginal($this->base === null ? 'whole' : 'base_whole'));
    }

    /** @return array<array-key, mixed> */
    private static function decoded(mixed $text): array
    {
        $value = json_decode(is_string($text) ? $text : '', true, 512, JSON_THROW_ON_ERROR);

        return is_array($value) ? $value : throw new \UnexpectedValueException('A plan is kept as an object.');
    }
}
