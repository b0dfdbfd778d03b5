<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Storage;
use Sternbild\Core\Handing\FileForm;

/**
 * A file that a person asked for: waiting, being made, there to be fetched, or why it is not.
 *
 * @property string $id
 * @property int $user_id
 * @property string|null $sheet_id  null where it is all sheets of the person
 * @property array<array-key, mixed> $asked
 * @property string $name
 * @property string $state
 * @property int $made
 * @property int $pieces
 * @property string|null $message
 * @property Carbon $updated_at
 * @property Sheet|null $sheet
 * @property User $user
 */
final class Export extends Model
{
    use HasUuids;

    public const WAITING = 'waiting';

    public const WORKING = 'working';

    public const READY = 'ready';

    public const FAILED = 'failed';

    public const CANCELLED = 'cancelled';

    /** Of those that are not ended yet. */
    public const IN_HAND = [self::WAITING, self::WORKING];

    protected $fillable = ['user_id', 'sheet_id', 'asked', 'name', 'state', 'made', 'pieces', 'message'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Sheet, $this> */
    public function sheet(): BelongsTo
    {
        return $this->belongsTo(Sheet::class);
    }

    /** Where the file is kept until it was fetched, on the disk for files. */
    public function path(): string
    {
        return "exports/$this->id";
    }

    public function type(): string
    {
        return FileForm::type(pathinfo($this->name, PATHINFO_EXTENSION));
    }

    /** With its file. */
    public function remove(): void
    {
        Storage::delete($this->path());
        $this->delete();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => 'array'];
    }
}
