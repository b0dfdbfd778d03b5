<?php

namespace App\Http\Controllers;

use App\Drawings\BroughtDrawing;
use App\Http\Requests\BundleRequest;
use App\Http\Requests\DrawingRequest;
use App\Models\Sheet;
use App\Models\User;
use App\Pictures\NoPicture;
use App\Pictures\PlanBundle;
use App\Quotas\OverQuota;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Svg\NoDrawing;

/**
 * SVG files, and plans with their pictures, that people bring in. They change nothing by themselves: what comes of them is laid on a sheet,
 * or becomes one, like anything else.
 */
final readonly class DrawingController
{
    public function __construct(private BroughtDrawing $drawings)
    {
    }

    /** @throws ValidationException */
    public function plan(DrawingRequest $request): JsonResponse
    {
        try {
            return new JsonResponse($this->drawings->plan($request->drawing()->getContent()));
        } catch (NoDrawing|Unusable $fault) {
            throw ValidationException::withMessages(['drawing' => $fault->getMessage()]);
        }
    }

    /**
     * @throws OverQuota
     * @throws ValidationException
     */
    public function bundle(BundleRequest $request, #[CurrentUser] User $person): JsonResponse
    {
        try {
            return new JsonResponse(PlanBundle::read($person, $request->bundle()->getPathname()));
        } catch (NoPicture|Unusable $fault) {
            throw ValidationException::withMessages(['bundle' => $fault->getMessage()]);
        }
    }

    /**
     * @throws OverQuota
     * @throws ValidationException
     */
    public function steps(DrawingRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        [$text, $plan] = [$request->drawing()->getContent(), $sheet->headRevision()->plan];
        try {
            $brought = match ($request->form()) {
                'motif' => $this->drawings->motif($text, $plan),
                'picture' => $this->drawings->picture($text, $plan, $person),
                default => $this->drawings->parts($text, $plan),
            };
        } catch (NoDrawing|NoPicture|RenderFailed|Unusable $fault) {
            throw ValidationException::withMessages(['drawing' => $fault->getMessage()]);
        }

        return new JsonResponse([...$brought, 'palette' => (object) $brought['palette']]);
    }
}
