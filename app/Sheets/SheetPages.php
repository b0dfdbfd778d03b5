<?php

namespace App\Sheets;

use App\Models\Sheet;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\SceneView;
use Sternbild\Core\Plan\Unusable;

/** A sheet as the editor gets it. */
final readonly class SheetPages
{
    public function __construct(private SheetBook $book, private Planning $planning)
    {
    }

    /**
     * @param  array<array-key, mixed>  $has  hashes of geometry that the editor has already
     * @return array<string, mixed>
     *
     * @throws Unusable
     */
    public function page(Sheet $sheet, array $has): array
    {
        $revision = $sheet->headRevision();

        return [
            'id' => $sheet->id,
            'name' => $sheet->name,
            'revision' => $revision->number,
            'undo' => $revision->parent === null ? null : $revision->label,
            'redo' => $this->book->following($sheet)?->label,
            'plan' => PlanJson::ordered($revision->plan),
            'scene' => SceneView::of($this->planning->scene($revision->plan), $has),
        ];
    }
}
