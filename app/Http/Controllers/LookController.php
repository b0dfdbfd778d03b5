<?php

namespace App\Http\Controllers;

use App\Models\Sheet;
use App\Sheets\Planning;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Snap\Candidate;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\View\CloseUp;

/** What lies at a place of a sheet: questions that change nothing. */
final readonly class LookController
{
    private const COORDINATE = ['required', 'numeric', 'between:-100000000,100000000'];

    /** The winner and a few more, to choose from. */
    private const MOST_CANDIDATES = 8;

    public function __construct(private Planning $planning)
    {
    }

    public function snap(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate([
            'x' => self::COORDINATE,
            'y' => self::COORDINATE,
            'reach' => ['required', 'numeric', 'gt:0', 'max:100000000'],
            'kinds' => ['sometimes', 'array'],
            'kinds.*' => [Rule::in(Snapper::KINDS)],
            'without' => ['sometimes', 'array', 'max:1000'],
            'without.*' => ['string'],
        ]);
        $kinds = array_values(array_filter($request->array('kinds'), is_string(...)));
        $without = array_values(array_filter($request->array('without'), is_string(...)));
        $found = $this->lines($sheet)->snapper()->near(self::place($request), $request->float('reach'), $kinds === [] ? Snapper::KINDS : $kinds, $without);

        return new JsonResponse([
            'candidates' => array_map(static fn (Candidate $candidate): array => [
                'kind' => $candidate->kind,
                'at' => [$candidate->at->x, $candidate->at->y],
                'raw' => $candidate->raw,
                'name' => $candidate->name,
            ], array_slice($found, 0, self::MOST_CANDIDATES)),
            'why' => Snapper::why($found),
        ]);
    }

    /** All that can be snapped to, so that what follows the pointer need not ask. */
    public function snapPlaces(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate(['has' => ['sometimes', 'array', 'max:50000']]);

        return new JsonResponse($this->lines($sheet)->snapPlaces($request->array('has')));
    }

    public function settle(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate(['id' => ['required', 'string'], 'x' => self::COORDINATE, 'y' => self::COORDINATE, 'reach' => ['required', 'numeric', 'gte:0', 'max:100000000']]);
        $settled = $this->lines($sheet)->settle($request->string('id')->toString(), self::place($request), $request->float('reach'));
        if ($settled === null) {
            throw ValidationException::withMessages(['id' => 'Only a circle of this sheet can be dragged, named by the id of its step.']);
        }

        return new JsonResponse([
            'center' => [$settled->center->x, $settled->center->y],
            'touches' => array_map(static fn (array $touch): array => [...$touch, 'at' => [$touch['at']->x, $touch['at']->y]], $settled->touches),
        ]);
    }

    public function closeUp(Request $request, Sheet $sheet): JsonResponse
    {
        $request->validate([
            'left' => self::COORDINATE,
            'top' => self::COORDINATE,
            'right' => [...self::COORDINATE, 'gt:left'],
            'bottom' => [...self::COORDINATE, 'gt:top'],
        ]);

        return new JsonResponse(CloseUp::look($this->planning->scene($sheet->headRevision()->plan), new Bounds($request->float('left'), $request->float('top'), $request->float('right'), $request->float('bottom'))));
    }

    private function lines(Sheet $sheet): Scene
    {
        return $this->planning->lines($sheet->headRevision()->plan);
    }

    private static function place(Request $request): Vec
    {
        return new Vec($request->float('x'), $request->float('y'));
    }
}
