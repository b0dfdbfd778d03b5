<?php

namespace App\Http\Resources;

use App\Models\Export;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A file that was asked for, and how far it is.
 *
 * @mixin Export
 */
final class ExportResource extends JsonResource
{
    public static $wrap = null;

    /** @return array{id: string, name: string, state: string, made: int, pieces: int, message: string|null} */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'state' => $this->state,
            'made' => $this->made,
            'pieces' => $this->pieces,
            'message' => $this->message,
        ];
    }
}
