<?php

namespace Tests\Feature;

use Tests\TestCase;

/** Questions about places of a sheet: what a pointer means, where a circle settles, how near outlines come. */
final class PlacesTest extends TestCase
{
    public function test_the_core_decides_what_a_pointer_means(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $snap = fn (array $question) => $this->postJson("/api/sheets/$sheet->id/snap", $question);
        $snap(['x' => 403, 'y' => 396, 'reach' => 10])
            ->assertOk()
            ->assertJsonPath('candidates.0.kind', 'intersection')
            ->assertJsonPath('candidates.0.raw', 'g1@0')
            ->assertJsonPath('candidates.0.name', 'the centre of grid 1');
        $snap(['x' => 403, 'y' => 396, 'reach' => 10, 'kinds' => ['circle-centre']])
            ->assertOk()
            ->assertJsonPath('candidates.0.raw', 'c1!');
        $snap(['x' => 403, 'y' => 396, 'reach' => 10, 'without' => ['g1', 'c1']])
            ->assertOk()
            ->assertJsonPath('candidates', []);
    }

    public function test_all_places_to_snap_to_are_told_once_and_then_only_what_changed(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $all = $this->postJson("/api/sheets/$sheet->id/snap-places")
            ->assertOk()
            ->assertJsonPath('complete', true)
            ->assertJsonPath('ranks.intersection', 0);
        $groups = (array) $all->json('groups');
        self::assertSame($groups, array_keys((array) $all->json('known')));
        $this->postJson("/api/sheets/$sheet->id/snap-places", ['has' => $groups])
            ->assertOk()
            ->assertJsonPath('groups', $groups)
            ->assertJsonPath('known', []);
        $this->change($sheet, 1, [['op' => 'set', 'id' => 'c2', 'field' => 'name', 'value' => 'rail']])->assertOk();
        $again = $this->postJson("/api/sheets/$sheet->id/snap-places", ['has' => $groups])->assertOk();
        foreach ((array) $again->json('known') as $known) {
            self::assertContains('c2', $known[0]['of']);
        }
    }

    public function test_a_question_about_everything_at_once_is_refused_in_time(): void
    {
        $this->actingAs($this->person());
        $plan = self::guided();
        $plan['steps'] = array_map(
            static fn (int $k): array => [
                'id' => "c$k",
                'kind' => 'guide.circle',
                'center' => [400 + ($k % 40), 400 + intdiv($k, 40)],
                'radius' => 100 + $k / 10,
            ],
            range(1, 1500),
        );
        $sheet = $this->sheet($plan);
        $this->postJson("/api/sheets/$sheet->id/snap", ['x' => 400, 'y' => 400, 'reach' => 1e8])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['reach']);
        $this->postJson("/api/sheets/$sheet->id/snap-places")
            ->assertOk()
            ->assertJsonPath('complete', false);
        $this->postJson("/api/sheets/$sheet->id/snap", ['x' => 400, 'y' => 400, 'reach' => 0.01, 'kinds' => ['circle-centre']])->assertOk();
    }

    public function test_a_circle_settles_beside_what_it_nearly_touches(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $settled = $this->postJson("/api/sheets/$sheet->id/settle", ['id' => 'c1', 'x' => 380, 'y' => 402, 'reach' => 10])->assertOk();
        $settled->assertJsonPath('touches.0.id', 'c2')->assertJsonPath('touches.0.label', 'line 1');
        self::assertEqualsWithDelta([380, 400.5], $settled->json('center'), 1e-9);
        self::assertEqualsWithDelta([380, 250.5], $settled->json('touches.0.at'), 1e-9);
    }

    public function test_a_close_up_says_how_near_the_outlines_come(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $seen = $this->postJson("/api/sheets/$sheet->id/close-up", [
            'left' => 395,
            'top' => 245,
            'right' => 405,
            'bottom' => 255,
        ])->assertOk();
        self::assertEqualsWithDelta(0.0, $seen->json('gaps.0.distance'), 0.6);
        self::assertNotEmpty($seen->json('curves'));
    }

    public function test_a_remedy_is_a_change_like_any_other(): void
    {
        $this->actingAs($this->person());
        $plan = self::guided();
        $plan['steps'][2] = ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[100, 249.5], [700, 249.5]]];
        $sheet = $this->sheet($plan);
        $finding = $this->getJson("/api/sheets/$sheet->id")
            ->assertJsonPath('scene.findings.0.code', 'almost-touching')
            ->json('scene.findings.0');
        $mended = $this->change($sheet, 1, $finding['remedy']['operations'])->assertOk();
        self::assertSame([], $mended->json('scene.findings'));
        self::assertEqualsWithDelta(150.5, $mended->json('plan.steps.1.radius'), 1e-9);
    }

    public function test_bad_questions_are_refused_by_field(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        foreach ([
            ['snap', ['x' => 'here', 'y' => 1, 'reach' => 5], 'x'],
            ['snap', ['x' => 1, 'y' => 1, 'reach' => 0], 'reach'],
            ['snap', ['x' => 1, 'y' => 1, 'reach' => 5, 'kinds' => ['nook']], 'kinds'],
            ['settle', ['x' => 1, 'y' => 1, 'reach' => 5], 'id'],
            ['settle', ['id' => 'c2', 'x' => 1, 'y' => 1, 'reach' => 5], 'id'],
            ['close-up', ['left' => 5, 'top' => 0, 'right' => 5, 'bottom' => 1], 'right'],
        ] as [$path, $question, $field]) {
            $this->postJson("/api/sheets/$sheet->id/$path", $question)->assertUnprocessable()->assertJsonValidationErrors($field);
        }
    }

    public function test_nobody_else_learns_anything(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $this->actingAs($this->person('ben@sternbild.test'));
        foreach (['snap', 'settle', 'close-up'] as $path) {
            $this->postJson("/api/sheets/$sheet->id/$path", [
                'id' => 'c1',
                'x' => 1,
                'y' => 1,
                'reach' => 5,
                'left' => 0,
                'top' => 0,
                'right' => 1,
                'bottom' => 1,
            ])->assertNotFound();
        }
    }

    public function test_a_ready_construction_is_laid_in_one_change(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet();
        $one = $this->getJson('/api/constructions')->assertOk()->json('constructions.0');
        $laid = $this->change($sheet, 1, [
            ['op' => 'lay', 'name' => $one['name'], 'steps' => $one['steps'], 'palette' => $one['palette']],
        ])->assertOk();
        self::assertCount(4 + count($one['steps']), $laid->json('plan.steps'));
        self::assertSame([], $laid->json('scene.findings'));
        $laid->assertJsonPath('undo', 'Lay '.mb_strtolower($one['name']));
        $this->change($sheet, 2, [['op' => 'lay', 'name' => 'x', 'steps' => [['id' => 'a b', 'kind' => 'overlay']], 'palette' => []]])
            ->assertUnprocessable()->assertJsonPath('pointer', '/operations/0/steps/0');
    }
}
