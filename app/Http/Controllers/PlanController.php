<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChangeRequest;
use App\Http\Requests\MoveHeadRequest;
use App\Http\Requests\PreviewRequest;
use App\Http\Requests\ReplacePlanRequest;
use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Examples;
use App\Sheets\Planning;
use App\Sheets\SheetBook;
use App\Sheets\SheetPages;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\SheetProperties;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\View\Constructions;
use Sternbild\Core\View\SceneView;
use Sternbild\Desk\Desk;

/** Changes to the plan of a sheet. */
final readonly class PlanController
{
    public function __construct(private SheetBook $book, private SheetPages $pages, private Planning $planning)
    {
    }

    public function kinds(Kinds $kinds): JsonResponse
    {
        return new JsonResponse([
            'kinds' => Desk::describe($kinds),
            'sheet' => array_map(static fn (Field $field): array => Desk::field($field), SheetProperties::fields()),
        ]);
    }

    public function constructions(Constructions $constructions): JsonResponse
    {
        return new JsonResponse(['constructions' => $constructions->list()]);
    }

    /** @throws Unusable */
    public function examples(Examples $examples): JsonResponse
    {
        return new JsonResponse(['examples' => $examples->list()]);
    }

    /** @throws Unusable */
    public function change(ChangeRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $change = $this->book->change($sheet, $person, $request->base(), $request->operations(), $request->change());

        return new JsonResponse(
            $change === null ? $this->pages->page($sheet, $request->known()) : $this->pages->after($sheet, $change, $request->known()),
        );
    }

    /**
     * What a change would give, refused just as the change would be; nothing is stored.
     *
     * @throws Unusable
     */
    public function preview(PreviewRequest $request, Sheet $sheet): JsonResponse
    {
        [$edit, $scene] = $this->planning->edited($sheet->headRevision()->plan, $request->operations(), Budget::small());

        return new JsonResponse([
            'scene' => SceneView::describe($scene, $request->known(), $request->handles(), new Desk),
            'added' => $edit->added(),
        ]);
    }

    /** @throws Unusable */
    public function replace(ReplacePlanRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $this->book->replace($sheet, $person, $request->base(), $request->plan(), $request->change());

        return new JsonResponse($this->pages->page($sheet, []));
    }

    /** @throws Unusable */
    public function undo(MoveHeadRequest $request, Sheet $sheet): JsonResponse
    {
        $this->book->undo($sheet, $request->base());

        return new JsonResponse($this->pages->page($sheet, $request->known()));
    }

    /** @throws Unusable */
    public function redo(MoveHeadRequest $request, Sheet $sheet): JsonResponse
    {
        $this->book->redo($sheet, $request->base());

        return new JsonResponse($this->pages->page($sheet, $request->known()));
    }
}
