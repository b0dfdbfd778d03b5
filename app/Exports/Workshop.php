<?php

namespace App\Exports;

use App\Models\Export;
use App\Models\User;
use App\Pictures\PlanBundle;
use App\Pictures\StoredPictures;
use App\Sheets\AllSheets;
use App\Sheets\Planning;
use App\Work\Cancelled;
use App\Work\Progress;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\WrongOptions;
use Sternbild\Core\Plan\Unusable;

/** Makes the files that people ask for. */
final readonly class Workshop
{
    public function __construct(private Planning $planning)
    {
    }

    /**
     * Writes the file at a path.
     *
     * @throws Cancelled
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    public function make(Export $export, string $path, Progress $progress): void
    {
        if ($export->sheet_id === null) {
            AllSheets::write($export->user, $path, $progress);

            return;
        }
        app(StoredPictures::class)->within($export->user_id, fn () => $this->makeOfSheet($export, $path, $progress));
    }

    /**
     * @param  array<string, mixed>  $plan
     * @param  string  $name  of its files
     */
    public function handed(User $person, array $plan, string $name): Handed
    {
        return new Handed(
            $plan,
            $name,
            fn (): Scene => $this->planning->scene($plan),
            PlanBundle::names($plan) ? static fn (string $path) => PlanBundle::write($person, $plan, $path) : null,
        );
    }

    /** What is said of a failure to the person who waits. */
    public static function why(?\Throwable $fault): string
    {
        return match (true) {
            $fault instanceof RenderFailed && $fault->isLate => 'The picture took too long. A smaller scale, or fewer half transparent figures, would do.',
            default => 'The file could not be made. Nothing of the sheet is lost; please try again.',
        };
    }

    /**
     * @throws Cancelled
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    private function makeOfSheet(Export $export, string $path, Progress $progress): void
    {
        // As it was when the file was asked for, whatever was changed since.
        $sheet = $export->sheet ?? throw new Cancelled;
        $handed = $this->handed(
            $export->user,
            $sheet->revision((int) $export->asked['revision'])->plan,
            pathinfo($export->name, PATHINFO_FILENAME),
        );
        $handed->scene();
        $progress->goesOn();
        $form = Forms::named($export->asked['format'] ?? null);
        $form->write(
            $handed,
            $form->asked($handed, array_diff_key($export->asked, ['format' => true, 'revision' => true])),
            $path,
            $progress,
        );
    }
}
