<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One accepted change of a sheet, with the whole plan as it was then. Never altered.
 *
 * @property int $id
 * @property string $sheet_id
 * @property int $number
 * @property int|null $parent
 * @property array<array-key, mixed> $plan
 * @property string $label
 * @property int $user_id
 * @property string $change
 * @property Carbon $created_at
 */
final class SheetRevision extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['number', 'parent', 'plan', 'label', 'user_id', 'change'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['plan' => PlanCast::class];
    }
}
