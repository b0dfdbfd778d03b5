<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A picture that a person brought in. The file is kept once, under its hash, whoever else has it.
 *
 * @property int $id
 * @property int $user_id
 * @property string $hash
 * @property 'png'|'jpeg' $type
 * @property int $width
 * @property int $height
 * @property int $bytes
 */
final class Picture extends Model
{
    protected $fillable = ['user_id', 'hash', 'type', 'width', 'height', 'bytes'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Where the file is, on the disk for files. */
    public function path(): string
    {
        return self::pathOf($this->hash);
    }

    public static function pathOf(string $hash): string
    {
        return "pictures/$hash";
    }

    public function source(): string
    {
        return "sha256:$this->hash";
    }

    /** @return array{source: string, width: int, height: int} how plans name it, and its size in pixels */
    public function told(): array
    {
        return ['source' => $this->source(), 'width' => $this->width, 'height' => $this->height];
    }
}
