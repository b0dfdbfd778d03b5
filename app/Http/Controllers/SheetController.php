<?php

namespace App\Http\Controllers;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\SheetBook;
use App\Sheets\SheetPages;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\PlanReader;
use Sternbild\Core\Plan\Unusable;

/** The list of a person's sheets. */
final readonly class SheetController
{
    private const NAME = ['required', 'string', 'max:80', 'not_regex:/[<>\x00-\x1F\x7F]/'];

    private const MESSAGES = ['name.not_regex' => 'The name may not hold markup (< >).'];

    /** Every new sheet begins with these. */
    private const PALETTE = ['ink' => '#1b2140', 'lagoon' => '#0f6e84', 'spray' => '#9fd0cf', 'sand' => '#e7c98f', 'brick' => '#c65f3c', 'paper' => '#faf8f3'];

    public function __construct(private SheetBook $book)
    {
    }

    public function index(#[CurrentUser] User $person): JsonResponse
    {
        return new JsonResponse(['sheets' => $person->sheets()->get()
            ->sortBy([['updated_at', 'desc'], ['name', 'asc']])->values()->map(self::entry(...))]);
    }

    public function store(Request $request, #[CurrentUser] User $person): JsonResponse
    {
        /** @var array{name: string, width?: float|int|string, height?: float|int|string, unit?: string, plan?: string} $given */
        $given = $request->validate([
            'name' => self::NAME,
            'plan' => ['sometimes', 'string'],
            'width' => ['required_without:plan', 'numeric', 'gt:0', 'max:10000000'],
            'height' => ['required_without:plan', 'numeric', 'gt:0', 'max:10000000'],
            'unit' => ['required_without:plan', 'in:px,mm,cm,in,pt'],
        ], self::MESSAGES);
        $sheet = isset($given['plan'])
            ? $this->book->create($person, $given['name'], PlanReader::decode($given['plan']), 'Bring in a plan')
            : $this->book->create($person, $given['name'], PlanJson::blank(
                self::number($given['width'] ?? 0), self::number($given['height'] ?? 0), $given['unit'] ?? 'px', self::PALETTE,
            ), 'New sheet');

        return new JsonResponse(self::entry($sheet), 201);
    }

    public function show(Sheet $sheet, SheetPages $pages): JsonResponse
    {
        return new JsonResponse($pages->page($sheet, []));
    }

    public function update(Request $request, Sheet $sheet): JsonResponse
    {
        $sheet->fill($request->validate(['name' => self::NAME], self::MESSAGES))->save();

        return new JsonResponse(self::entry($sheet));
    }

    /** @throws Unusable */
    public function duplicate(Sheet $sheet, #[CurrentUser] User $person): JsonResponse
    {
        $name = mb_strimwidth($sheet->name, 0, 73, '…').', copy';

        return new JsonResponse(self::entry($this->book->create($person, $name, $sheet->headRevision()->plan, 'Copy of '.$sheet->name)), 201);
    }

    public function destroy(Sheet $sheet): Response
    {
        $sheet->delete();

        return new Response(status: 204);
    }

    public function restore(string $deleted, #[CurrentUser] User $person): JsonResponse
    {
        $sheet = Sheet::onlyTrashed()->where('user_id', $person->id)->findOrFail($deleted);
        $sheet->restore();

        return new JsonResponse(self::entry($sheet));
    }

    private static function number(float|int|string $given): float|int
    {
        return (float) $given === floor((float) $given) ? (int) $given : (float) $given;
    }

    /** @return array{id: string, name: string, revision: int, changed: string} */
    private static function entry(Sheet $sheet): array
    {
        return ['id' => $sheet->id, 'name' => $sheet->name, 'revision' => $sheet->head, 'changed' => $sheet->updated_at->toIso8601ZuluString()];
    }
}
