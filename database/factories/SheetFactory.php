<?php

namespace Database\Factories;

use App\Models\Sheet;
use App\Models\SheetRevision;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;
use Illuminate\Support\Str;
use Sternbild\Core\Format\PlanJson;

/**
 * Sheets with one revision.
 *
 * @extends Factory<Sheet>
 */
final class SheetFactory extends Factory
{
    protected $model = Sheet::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['user_id' => User::factory(), 'name' => 'Sheet', 'head' => 1];
    }

    public function configure(): static
    {
        return $this->withPlan(PlanJson::blank(800, 800, 'px', ['ink' => '#1b2140']));
    }

    /** @param  array<array-key, mixed>  $plan  that PlanReader lets through */
    public function withPlan(array $plan): static
    {
        return $this->afterCreating(static function (Sheet $sheet) use ($plan): void {
            $sheet->revisions()->updateOrCreate(
                ['number' => 1],
                [
                    'parent' => null,
                    ...SheetRevision::stored($plan, null),
                    'label' => 'New sheet',
                    'user_id' => $sheet->user_id,
                    'change' => (string) Str::uuid(),
                ],
            );
        });
    }
}
