<?php

namespace App\Models;

use Database\Factories\SheetFactory;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Carbon;

/**
 * One document of a person. Its plan is that of the revision that `head` names.
 *
 * @property string $id
 * @property int $user_id
 * @property string $name
 * @property int $head
 * @property int $bytes
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Carbon|null $deleted_at
 */
final class Sheet extends Model
{
    /** @use HasFactory<SheetFactory> */
    use HasFactory;

    use HasUuids;
    use SoftDeletes;

    protected $fillable = ['name', 'head', 'bytes'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<SheetRevision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(SheetRevision::class);
    }

    public function headRevision(): SheetRevision
    {
        return $this->revision($this->head);
    }

    /** With what it is a difference to. */
    public function revision(int $number): SheetRevision
    {
        $revisions = $this->revisions();
        $revisions->where('sheet_revisions.number', $number);
        $revisions->leftJoin(
            'sheet_revisions AS base',
            static fn (JoinClause $join) => $join
                ->on('base.sheet_id', 'sheet_revisions.sheet_id')
                ->on('base.number', 'sheet_revisions.base'),
        );

        return $revisions->firstOrFail(['sheet_revisions.*', 'base.whole AS base_whole']);
    }
}
