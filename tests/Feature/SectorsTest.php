<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\TestCase;

/** Drawing in the sectors of a repeat, as changes and previews. */
final class SectorsTest extends TestCase
{
    public function test_what_is_drawn_in_a_far_sector_comes_into_the_first_as_one_change(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::rosette());
        $page = $this->getJson("/api/sheets/$sheet->id")->assertOk();
        $repeat = array_values(array_filter((array) $page->json('scene.steps'), static fn (array $step): bool => isset($step['sector'])));
        self::assertCount(1, $repeat);
        self::assertEqualsWithDelta(36.0, $repeat[0]['sector']['angle'], 1e-9);
        $draw = [['op' => 'add', 'step' => ['kind' => 'part.circle', 'center' => [400, 700], 'radius' => 6], 'into' => $repeat[0]['id']]];
        $this->postJson("/api/sheets/$sheet->id/preview", ['operations' => $draw])->assertOk();
        $made = $this->change($sheet, 1, $draw)->assertOk();
        $plan = $sheet->refresh()->headRevision()->plan;
        $ids = array_column($plan['steps'], 'id');
        $new = $made->json('added.0');
        self::assertLessThan(array_search($repeat[0]['id'], $ids, true), array_search($new, $ids, true));
        self::assertContains($new, $plan['steps'][array_search($repeat[0]['id'], $ids, true)]['of']);
        $center = $plan['steps'][array_search($new, $ids, true)]['center'];
        self::assertEqualsWithDelta(300.0, hypot($center[0] - 400, $center[1] - 400), 1e-3);
        self::assertLessThan(400, $center[1], 'Straight down goes straight up, or beside it.');
    }

    public function test_a_line_drawn_in_a_sector_and_a_band_along_it_are_in_all_of_them(): void
    {
        $this->actingAs($this->person());
        foreach (
            [
                ['kind' => 'guide.line', 'through' => [[400, 600], [430, 700]]],
                ['kind' => 'guide.circle', 'center' => [400, 650], 'radius' => 20],
            ] as $line
        ) {
            $sheet = $this->sheet(self::rosette());
            $repeat = (string) collect((array) $this->getJson("/api/sheets/$sheet->id")->json('scene.steps'))->first(
                static fn (array $step): bool => isset($step['sector']),
            )['id'];
            $guide = $this->change($sheet, 1, [['op' => 'add', 'step' => $line, 'into' => $repeat]])
                ->assertOk()
                ->json('added.0');
            $band = $this->change($sheet, 2, [
                ['op' => 'add', 'step' => ['kind' => 'band', 'of' => [$guide], 'width' => 6], 'into' => $repeat],
            ])
                ->assertOk()
                ->json('added.0');
            $steps = $sheet->refresh()->headRevision()->plan['steps'];
            $order = array_flip(array_column($steps, 'id'));
            self::assertSame([true, true], [$order[$guide] < $order[$band], $order[$band] < $order[$repeat]]);
            self::assertContains($band, $steps[$order[$repeat]]['of']);
            self::assertSame(
                [],
                array_filter(
                    (array) $this->getJson("/api/sheets/$sheet->id")->json('scene.findings'),
                    static fn (array $finding): bool => $finding['level'] === 'error',
                ),
            );
        }
    }

    public function test_a_line_that_was_there_before_comes_before_the_repeat_with_the_band_along_it(): void
    {
        $this->actingAs($this->person());
        $plan = self::rosette();
        $plan['steps'][] = ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[400, 600], [430, 700]]];
        $sheet = $this->sheet($plan);
        $repeat = (string) collect((array) $this->getJson("/api/sheets/$sheet->id")->json('scene.steps'))->first(
            static fn (array $step): bool => isset($step['sector']),
        )['id'];
        $this->change($sheet, 1, [
            ['op' => 'add', 'step' => ['kind' => 'band', 'of' => ['c1'], 'width' => 6], 'into' => $repeat],
        ])->assertOk();
        $order = array_flip(array_column($sheet->refresh()->headRevision()->plan['steps'], 'id'));
        self::assertLessThan($order[$repeat], $order['c1']);
    }

    public function test_a_repeat_that_is_none_is_refused_with_its_place(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::rosette());
        $this->change($sheet, 1, [['op' => 'add', 'step' => ['kind' => 'part.circle', 'center' => [1, 1], 'radius' => 6], 'into' => 'g1']])
            ->assertUnprocessable()->assertJsonPath('pointer', '/operations/0/into');
    }
}
