<?php

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Who is signed in.
 *
 * @mixin User
 */
final class PersonResource extends JsonResource
{
    public static $wrap = 'person';

    /** @return array{name: string, email: string} */
    public function toArray(Request $request): array
    {
        return ['name' => $this->name, 'email' => $this->email];
    }
}
