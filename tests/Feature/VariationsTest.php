<?php

namespace Tests\Feature;

use Tests\TestCase;

/** Variations over the API: the same for a seed, taken over as one change, or kept as a sheet. */
final class VariationsTest extends TestCase
{
    public function test_a_seed_gives_the_same_ones_with_their_pictures_and_what_may_vary(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $draw = fn (array $asked) => $this->postJson("/api/sheets/$sheet->id/variations", ['seed' => 7, 'count' => 4, ...$asked]);
        $first = $draw([])->assertOk()->assertJsonCount(4, 'variations')->assertJsonPath('numbers.0.label', 'radius of grid 1');
        self::assertSame($first->json('variations'), $draw([])->json('variations'));
        self::assertStringStartsWith('<svg', self::text($first->json('variations.0.picture')));
        $only = $draw(['what' => ['g1.sectors']])->assertOk();
        foreach ((array) $only->json('variations') as $one) {
            self::assertSame(300, json_decode($one['plan'], true)['steps'][0]['radius']);
        }
    }

    public function test_one_is_taken_over_as_a_single_change_and_undone(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $plan = $this->postJson("/api/sheets/$sheet->id/variations", ['seed' => 3, 'count' => 1])->json('variations.0.plan');
        $this->putJson("/api/sheets/$sheet->id/plan", ['base' => 1, 'plan' => $plan, 'change' => '0f0f0f0f-0000-4000-8000-000000000001'])
            ->assertOk()
            ->assertJsonPath('revision', 2);
        $this->postJson("/api/sheets/$sheet->id/undo", ['base' => 2])
            ->assertOk()
            ->assertJsonPath('plan.steps.0.sectors', 10);
    }

    public function test_what_cannot_be_asked_for_is_said_at_its_field(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $this->postJson("/api/sheets/$sheet->id/variations", ['seed' => -1, 'count' => 13])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['seed', 'count']);
        $this->postJson("/api/sheets/$sheet->id/variations", ['seed' => 1, 'count' => 2, 'what' => ['r1.count']])->assertUnprocessable();
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->postJson("/api/sheets/$sheet->id/variations", ['seed' => 1, 'count' => 1])->assertNotFound();
    }
}
