<?php

namespace App\Models;

use Database\Factories\UserFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A person who signs in.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password  set as it is typed, kept as a hash
 */
final class User extends Authenticatable
{
    /** @use HasFactory<UserFactory> */
    use HasFactory;

    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token'];

    /** @return HasMany<Sheet, $this> */
    public function sheets(): HasMany
    {
        return $this->hasMany(Sheet::class);
    }

    /**
     * In the order in which they are listed.
     *
     * @param  'changed'|'name'  $order
     * @return HasMany<Sheet, $this>
     */
    public function listedSheets(string $order): HasMany
    {
        $sheets = $this->sheets();
        if ($order === 'changed') {
            $sheets->orderByDesc('updated_at');
        }
        $sheets->orderBy('name')->orderBy('id');

        return $sheets;
    }

    /**
     * Signs the person out wherever that is signed in.
     *
     * @param  string|null  $but  id of a session that goes on
     */
    public function endSessions(?string $but = null): void
    {
        DB::table('sessions')
            ->where('user_id', $this->id)
            ->when($but !== null, static fn ($sessions) => $sessions->where('id', '<>', $but))
            ->delete();
        // Browsers that stayed signed in hold this.
        $this->setRememberToken(Str::random(60));
        $this->save();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}
