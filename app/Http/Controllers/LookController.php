<?php

namespace App\Http\Controllers;

use App\Http\Requests\CloseUpRequest;
use App\Http\Requests\EqualRequest;
use App\Http\Requests\SettleRequest;
use App\Http\Requests\SnapPlacesRequest;
use App\Http\Requests\SnapRequest;
use App\Http\Requests\TileRequest;
use App\Http\Requests\VaryRequest;
use App\Models\Sheet;
use App\Sheets\Planning;
use App\Sheets\TilePages;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Snap\Candidate;
use Sternbild\Core\Snap\SnapList;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\View\CloseUp;

/** What lies at a place of a sheet: questions that change nothing. */
final readonly class LookController
{
    /** The winner and a few more, to choose from. */
    private const MOST_CANDIDATES = 8;

    public function __construct(private Planning $planning)
    {
    }

    /** @throws Unusable */
    public function snap(SnapRequest $request, Sheet $sheet): JsonResponse
    {
        $snapper = $this->lines($sheet)->snapper();
        $found = self::soon(
            static fn (): array => $snapper->near($request->place(), $request->reach(), $request->kinds(), $request->without()),
            'reach',
        );

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

    /**
     * All that can be snapped to, so that what follows the pointer need not ask.
     *
     * @throws Unusable
     */
    public function snapPlaces(SnapPlacesRequest $request, Sheet $sheet): JsonResponse
    {
        $lines = $this->lines($sheet);

        return new JsonResponse(self::soon(static fn (): SnapList => $lines->snapPlaces($request->known()), 'has'));
    }

    /**
     * @throws Unusable
     * @throws ValidationException
     */
    public function settle(SettleRequest $request, Sheet $sheet): JsonResponse
    {
        $settled = $this->lines($sheet)->settle($request->string('id')->toString(), $request->place(), $request->reach());
        if ($settled === null) {
            throw ValidationException::withMessages(['id' => 'Only a circle of this sheet can be dragged, named by the id of its step.']);
        }

        return new JsonResponse([
            'center' => [$settled->center->x, $settled->center->y],
            'touches' => array_map(
                static fn (array $touch): array => [...$touch, 'at' => [$touch['at']->x, $touch['at']->y]],
                $settled->touches,
            ),
        ]);
    }

    /**
     * @throws Unusable
     * @throws ValidationException
     */
    public function equal(EqualRequest $request, Sheet $sheet): JsonResponse
    {
        $operations = $this->planning->equal(
            $sheet->headRevision()->plan,
            $request->string('keep')->toString(),
            $request->string('change')->toString(),
        );
        if ($operations === null) {
            throw ValidationException::withMessages([
                'change' => 'Expected a measure that some written number decides on; none that it hangs on makes it as large as the other.',
            ]);
        }

        return new JsonResponse(['operations' => $operations]);
    }

    /**
     * The tile of a pattern: its size.
     *
     * @throws Unusable
     */
    public function tile(TileRequest $request, Sheet $sheet): JsonResponse
    {
        return new JsonResponse(
            TilePages::page(
                $this->planning->scene($sheet->headRevision()->plan),
                $request->of(),
                $request->with(),
                $request->has('width') ? $request->integer('width') : null,
            ),
        );
    }

    /**
     * Whether the tile of a pattern repeats without a seam.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function seam(TileRequest $request, Sheet $sheet): JsonResponse
    {
        try {
            return new JsonResponse(
                TilePages::seam($this->planning->scene($sheet->headRevision()->plan), $request->of(), $request->with()),
            );
        } catch (RenderFailed) {
            throw ValidationException::withMessages(['of' => 'The tile takes too long to be compared with its pattern; fewer or simpler parts would do. It can be handed over all the same.']);
        }
    }

    /** @throws Unusable */
    public function vary(VaryRequest $request, Sheet $sheet): JsonResponse
    {
        return new JsonResponse(
            $this->planning->varied($sheet->headRevision()->plan, $request->integer('seed'), $request->integer('count'), $request->what()),
        );
    }

    /** @throws Unusable */
    public function closeUp(CloseUpRequest $request, Sheet $sheet): JsonResponse
    {
        $scene = $this->planning->scene($sheet->headRevision()->plan);

        return new JsonResponse(self::soon(static fn (): array => CloseUp::look($scene, $request->window()), 'right'));
    }

    /**
     * An answer that does not take long; else it is refused for what makes it long.
     *
     * @template T
     *
     * @param  callable(): T  $look
     * @return T
     *
     * @throws ValidationException
     */
    private static function soon(callable $look, string $field): mixed
    {
        try {
            return Budget::within(Budget::small(), $look);
        } catch (OverBudget) {
            throw ValidationException::withMessages([$field => 'Too much lies here to be looked at in time; zoom in.']);
        }
    }

    /** @throws Unusable */
    private function lines(Sheet $sheet): Scene
    {
        return $this->planning->lines($sheet->headRevision()->plan);
    }
}
