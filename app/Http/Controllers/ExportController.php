<?php

namespace App\Http\Controllers;

use App\Exports\Workshop;
use App\Http\Requests\FileRequest;
use App\Http\Resources\ExportResource;
use App\Jobs\Orders;
use App\Models\Export;
use App\Models\Sheet;
use App\Models\User;
use App\Sheets\Planning;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Handing\FileForm;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\Unwatched;
use Sternbild\Core\Handing\WrongOptions;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Desk\Desk;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Pictures and files of a sheet: outlines and plans at once, what takes a while in turn. */
final readonly class ExportController
{
    public function __construct(private Planning $planning, private Workshop $workshop)
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

    /**
     * The forms in which the sheet can be handed over, with what each can be asked.
     *
     * @throws Unusable
     */
    public function forms(Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $handed = $this->handed($sheet, $person);
        $forms = array_filter(Forms::all(), static fn (FileForm $form): bool => $form->suits($handed));

        return new JsonResponse([
            'forms' => array_map(static fn (FileForm $form): array => Desk::form($form, $handed), array_values($forms)),
        ]);
    }

    /**
     * What a file would be, before it is made.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function estimate(FileRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $handed = $this->handed($sheet, $person);

        return new JsonResponse(self::right(static function () use ($request, $handed): array {
            $form = $request->form();

            $asked = $form->asked($handed, $request->options($form, $handed));

            return $form->estimate($handed, $asked)->describe();
        }));
    }

    /**
     * What comes of proving a file before it is made, which takes a while.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function prove(FileRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $handed = $this->handed($sheet, $person);

        return new JsonResponse(['told' => self::right(static function () use ($request, $handed): array {
            $form = $request->form();

            return $form->proved($handed, $form->asked($handed, $request->options($form, $handed)));
        })]);
    }

    /**
     * A file that is there at once.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function file(FileRequest $request, Sheet $sheet, #[CurrentUser] User $person): Response|BinaryFileResponse
    {
        $handed = $this->handed($sheet, $person);
        [$form, $asked] = self::right(static function () use ($request, $handed): array {
            $form = $request->form(isQuick: true);

            return [$form, $form->asked($handed, $request->options($form, $handed))];
        });
        $path = (string) tempnam(sys_get_temp_dir(), 'file');
        $form->write($handed, $asked, $path, new Unwatched);
        $ending = $form->ending($asked);

        $type = FileForm::type(pathinfo("x.$ending", PATHINFO_EXTENSION));
        if ($ending === 'zip') {
            return response()->download($path, "$handed->name.$ending", ['Content-Type' => $type])->deleteFileAfterSend();
        }
        $content = (string) file_get_contents($path);
        unlink($path);

        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => "attachment; filename=\"$handed->name.$ending\"",
        ]);
    }

    /**
     * Takes down a file to be made, unless it would take too long.
     *
     * @throws Unusable
     * @throws ValidationException
     */
    public function order(FileRequest $request, Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $handed = $this->handed($sheet, $person);
        [$form, $given, $asked] = self::right(static function () use ($request, $handed): array {
            $form = $request->form(isQuick: false);
            $given = $request->options($form, $handed);
            $asked = $form->asked($handed, $given);
            $form->estimate($handed, $asked);

            return [$form, $given, $asked];
        });

        return self::taken(Orders::take($person, $sheet, ['format' => $form->name(), ...$given], $form->ending($asked)));
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

    private function handed(Sheet $sheet, User $person): Handed
    {
        return $this->workshop->handed($person, $sheet->headRevision()->plan, Str::slug($sheet->name) ?: 'sheet');
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $ask
     * @return T
     *
     * @throws ValidationException
     */
    private static function right(\Closure $ask): mixed
    {
        try {
            return $ask();
        } catch (WrongOptions $fault) {
            throw ValidationException::withMessages($fault->wrong);
        }
    }
}
