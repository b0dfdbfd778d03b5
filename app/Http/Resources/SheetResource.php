<?php

namespace App\Http\Resources;

use App\Models\Sheet;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A sheet in a list of sheets.
 *
 * @mixin Sheet
 */
final class SheetResource extends JsonResource
{
    public static $wrap = null;

    /** @return array{id: string, name: string, revision: int, changed: string} */
    public function toArray(Request $request): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'revision' => $this->head, 'changed' => $this->updated_at->toIso8601ZuluString()];
    }
}
