<?php

namespace App\Http\Controllers;

use App\Exports\Estimate;
use App\Exports\Pixels;
use App\Exports\Workshop;
use App\Http\Requests\ExportRequest;
use App\Http\Requests\OrderRequest;
use App\Http\Resources\ExportResource;
use App\Jobs\Orders;
use App\Models\Export;
use App\Models\Sheet;
use App\Models\User;
use App\Pictures\PlanBundle;
use App\Sheets\ChapterSet;
use App\Sheets\Planning;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Unusable;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Pictures and files of a sheet: outlines and plans at once, what takes a while in turn. */
final readonly class ExportController
{
    public function __construct(private Planning $planning)
    {
    }

    /** @throws Unusable */
    public function thumbnail(Request $request, Sheet $sheet): Response
    {
        $response = new Response(headers: ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, no-cache']);
        $response->setEtag("$sheet->id-$sheet->head");
        if (! $response->isNotModified($request)) {
            $response->setContent(SvgDrawing::write($this->planning->scene($sheet->headRevision()->plan)));
        }

        return $response;
    }

    /** @throws Unusable */
    public function file(ExportRequest $request, Sheet $sheet, #[CurrentUser] User $person): Response|BinaryFileResponse
    {
        $plan = $sheet->headRevision()->plan;
        $name = Str::slug($sheet->name) ?: 'sheet';
        if ($request->string('format')->toString() === 'bundle') {
            $path = (string) tempnam(sys_get_temp_dir(), 'bundle');
            PlanBundle::write($person, $plan, $path);

            return response()->download($path, "$name.zip", ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
        }
        $json = $request->string('format')->toString() === 'json';
        $content = $json ? PlanJson::pretty($plan) : Workshop::svg($this->planning->scene($plan), ['construction' => $request->boolean('construction'), 'grid' => $request->boolean('grid'), 'uses' => $request->boolean('uses'), 'exact' => $request->boolean('exact')]);

        return new Response($content, 200, [
            'Content-Type' => $json ? 'application/json' : 'image/svg+xml',
            'Content-Disposition' => "attachment; filename=\"$name.".($json ? 'json' : 'svg').'"',
        ]);
    }

    /**
     * Takes down a file to be made, unless it would take too long.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function order(OrderRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        /** @var array<string, mixed> $asked */
        $asked = $request->validated();
        $scene = $this->planning->scene($sheet->headRevision()->plan);
        $format = $request->string('format')->toString();
        match ($format) {
            'png' => Estimate::holdPng($scene, $request->float('scale', 1.0)),
            'set' => Estimate::holdSet($scene, ChapterSet::asked($scene, $asked, 'sheet')),
            'tile' => self::holdTile($scene, $asked),
            'pixels' => Pixels::asked($scene, $asked),
            default => null,
        };

        return self::taken(Orders::take($person, $sheet, $asked, match ($format) {
            'set' => 'zip',
            'tile' => $request->string('as')->toString(),
            'pixels' => Pixels::FORMS[$request->string('as')->toString()] ?? 'png',
            default => $format,
        }));
    }

    /**
     * There has to be such a tile; one in pixels must not be too large.
     *
     * @param  array<string, mixed>  $asked
     *
     * @throws Unusable
     * @throws ValidationException
     */
    private static function holdTile(Scene $scene, array $asked): void
    {
        $tile = Workshop::tile($scene, $asked);
        if ($asked['as'] === 'png') {
            Estimate::holdTile($tile, Workshop::tileWidth($scene, $tile, $asked));
        }
    }

    /** All sheets of a person as plans, in one archive. */
    public function orderSheets(#[CurrentUser] User $person): JsonResponse
    {
        return self::taken(Orders::take($person, null, [], 'zip'));
    }

    public function show(Export $export): ExportResource
    {
        return new ExportResource($export);
    }

    /** What is made of it so far is dropped; its maker ends within a moment. */
    public function cancel(Export $export): Response
    {
        Export::query()->whereKey($export->id)->whereIn('state', Export::IN_HAND)->update(['state' => Export::CANCELLED]);

        return new Response(status: 204);
    }

    public function fetch(Export $export): StreamedResponse
    {
        abort_if($export->state !== Export::READY, 404, 'This file is not there: it is not made yet, or was not fetched within the hour.');

        return Storage::download($export->path(), $export->name, ['Content-Type' => $export->type()]);
    }

    private static function taken(Export $export): JsonResponse
    {
        return (new ExportResource($export->refresh()))->response()->setStatusCode(202);
    }
}
