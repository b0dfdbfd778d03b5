<?php

namespace Tests\Feature;

use Tests\TestCase;

/** Measures over the API: two made equal, and motifs with what they are made of. */
final class MeasuresTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function bars(): array
    {
        return [...self::rosette(), 'steps' => [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [100, 100], 'size' => [40, 300]],
            ['id' => 'p2', 'kind' => 'part.rectangle', 'origin' => [300, 100], 'size' => [55, 300]],
            ['id' => 'm1', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [100, 200], 'name' => 'bar'],
            ['id' => 'm2', 'kind' => 'measure.width', 'of' => 'p2', 'at' => [300, 200]],
            ['id' => 'm3', 'kind' => 'measure.length', 'of' => ['p1']],
        ]];
    }

    public function test_two_measures_are_made_equal_by_operations_that_the_page_then_makes(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::bars());
        $operations = $this->postJson("/api/sheets/$sheet->id/equal", ['keep' => 'm1', 'change' => 'm2'])
            ->assertOk()
            ->json('operations');
        self::assertSame(
            [
                ['op' => 'move', 'id' => 'm1', 'before' => 'p2'],
                ['op' => 'set', 'id' => 'p2', 'field' => 'size', 'value' => ['m1.value', 300]],
            ],
            $operations,
        );
        $page = $this->change($sheet, 1, $operations)->assertOk();
        self::assertSame(['p1', 'm1', 'p2', 'm2', 'm3'], array_column((array) $page->json('scene.steps'), 'id'));
    }

    public function test_what_no_number_makes_equal_is_said_at_its_field(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::bars());
        $this->postJson("/api/sheets/$sheet->id/equal", ['keep' => 'm1', 'change' => 'm3'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['change']);
        $this->postJson("/api/sheets/$sheet->id/equal", ['keep' => 'm1', 'change' => 'm1'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['change']);
        $this->postJson("/api/sheets/$sheet->id/equal", ['keep' => 'm1'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['change']);
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->postJson("/api/sheets/$sheet->id/equal", ['keep' => 'm1', 'change' => 'm2'])->assertNotFound();
    }

    public function test_a_name_typed_for_a_measure_is_stored_as_its_number(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::bars());
        $page = $this->change($sheet, 1, [['op' => 'set', 'id' => 'p2', 'field' => 'size', 'value' => ['bar*2', 300]]])->assertOk();
        self::assertContains(
            ['id' => 'p2', 'kind' => 'part.rectangle', 'origin' => [300, 100], 'size' => ['m1.value*2', 300]],
            (array) $page->json('plan.steps'),
        );
    }

    public function test_what_a_motif_is_made_of_is_told_apart_from_what_is_drawn(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet([...self::rosette(), 'steps' => [
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 40],
            ['id' => 'f1', 'kind' => 'motif', 'of' => ['p1'], 'anchor' => 'p1!'],
            ['id' => 'q1', 'kind' => 'place', 'motif' => 'f1', 'at' => [[100, 100], [300, 100]]],
        ]]);
        $page = $this->getJson("/api/sheets/$sheet->id")->assertOk();
        self::assertSame(['q1'], array_column((array) $page->json('scene.drawing'), 'id'));
        self::assertSame(['p1'], array_column((array) $page->json('scene.inside'), 'id'));
        self::assertSame([null, ['p1'], ['f1']], array_column((array) $page->json('scene.steps'), 'opens'));
    }
}
