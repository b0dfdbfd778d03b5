<?php

namespace App\Http\Controllers;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Planning;
use App\Sheets\SheetBook;
use App\Sheets\SheetPages;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sternbild\Core\Plan\Kinds;
use Sternbild\Core\Plan\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\View\Constructions;
use Sternbild\Core\View\SceneView;

/** Changes to the plan of a sheet. */
final readonly class PlanController
{
    public function __construct(private SheetBook $book, private SheetPages $pages, private Planning $planning)
    {
    }

    public function kinds(Kinds $kinds): JsonResponse
    {
        return new JsonResponse(['kinds' => $kinds->describe()]);
    }

    public function constructions(Constructions $constructions): JsonResponse
    {
        return new JsonResponse(['constructions' => $constructions->list()]);
    }

    public function change(Request $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        /** @var array{base: int, change: string} $given */
        $given = $request->validate([
            'base' => ['required', 'integer'],
            'change' => ['required', 'uuid'],
            'operations' => ['required', 'array', 'min:1', 'max:1000'],
            'has' => ['sometimes', 'array'],
        ]);
        $change = $this->book->change($sheet, $person, (int) $given['base'], $request->array('operations'), $given['change']);

        return new JsonResponse($change === null
            ? $this->pages->page($sheet, $request->array('has'))
            : $this->pages->after($sheet, $change, $request->array('has')));
    }

    /** What a change would give, refused just as the change would be; nothing is stored. */
    public function preview(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate(['operations' => ['required', 'array', 'min:1', 'max:1000'], 'has' => ['sometimes', 'array']]);
        [$edit, $scene] = $this->planning->edited($sheet->headRevision()->plan, $request->array('operations'));

        return new JsonResponse(['scene' => SceneView::describe($scene, $request->array('has')), 'added' => $edit->added()]);
    }

    /** @throws Unusable */
    public function replace(Request $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        /** @var array{base: int, change: string, plan: string} $given */
        $given = $request->validate(['base' => ['required', 'integer'], 'change' => ['required', 'uuid'], 'plan' => ['required', 'string']]);
        $this->book->replace($sheet, $person, (int) $given['base'], PlanReader::decode($given['plan']), $given['change']);

        return new JsonResponse($this->pages->page($sheet, []));
    }

    public function undo(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate(['base' => ['required', 'integer'], 'has' => ['sometimes', 'array']]);
        $this->book->undo($sheet, $request->integer('base'));

        return new JsonResponse($this->pages->page($sheet, $request->array('has')));
    }

    public function redo(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate(['base' => ['required', 'integer'], 'has' => ['sometimes', 'array']]);
        $this->book->redo($sheet, $request->integer('base'));

        return new JsonResponse($this->pages->page($sheet, $request->array('has')));
    }
}
