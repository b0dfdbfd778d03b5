<?php

namespace App\Http\Controllers;

use App\Http\Requests\ListSheetsRequest;
use App\Http\Requests\RenameSheetRequest;
use App\Http\Requests\StoreSheetRequest;
use App\Http\Resources\SheetResource;
use App\Models\Sheet;
use App\Models\User;
use App\Quotas\OverQuota;
use App\Quotas\Quotas;
use App\Sheets\SheetBook;
use App\Sheets\SheetPages;
use App\Sheets\Tidy;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Sternbild\Core\Plan\Unusable;

/** The list of a person's sheets. */
final readonly class SheetController
{
    private const PAGE = 60;

    public function __construct(private SheetBook $book)
    {
    }

    public function index(ListSheetsRequest $request, #[CurrentUser] User $person): JsonResponse
    {
        $page = $person->listedSheets($request->order())->cursorPaginate(self::PAGE);

        return new JsonResponse(['sheets' => SheetResource::collection($page->items()), 'next' => $page->nextCursor()?->encode()]);
    }

    /** @throws Unusable */
    public function store(StoreSheetRequest $request, #[CurrentUser] User $person): JsonResponse
    {
        $sheet = $this->book->create(
            $person,
            $request->string('name')->toString(),
            $request->plan(),
            $request->has('plan') ? 'Bring in a plan' : 'New sheet',
        );

        return (new SheetResource($sheet))->response()->setStatusCode(201);
    }

    public function show(Sheet $sheet, SheetPages $pages): JsonResponse
    {
        return new JsonResponse($pages->page($sheet, []));
    }

    public function update(RenameSheetRequest $request, Sheet $sheet): SheetResource
    {
        $sheet->fill(['name' => $request->string('name')->toString()])->save();

        return new SheetResource($sheet);
    }

    /** @throws Unusable */
    public function duplicate(Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $name = mb_strimwidth($sheet->name, 0, 73, '…').', copy';
        $copy = $this->book->create($person, $name, $sheet->headRevision()->plan, 'Copy of '.$sheet->name);

        return (new SheetResource($copy))->response()->setStatusCode(201);
    }

    public function destroy(Sheet $sheet): Response
    {
        $sheet->delete();
        Tidy::dispatch($sheet->id);

        return new Response(status: 204);
    }

    /** @throws OverQuota */
    public function restore(string $deleted, #[CurrentUser] User $person): SheetResource
    {
        $sheet = Sheet::onlyTrashed()->where('user_id', $person->id)->findOrFail($deleted);
        DB::transaction(static function () use ($person, $sheet): void {
            Quotas::holdSheet($person, $sheet->bytes);
            $sheet->restore();
        });

        return new SheetResource($sheet);
    }
}
