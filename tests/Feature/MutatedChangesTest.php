<?php

namespace Tests\Feature;

use Sternbild\Core\Tests\Mutator;
use Tests\TestCase;

/** Whatever is asked of the API: it is done, or refused by its place; the server does not break, and the sheet stays one that opens. */
final class MutatedChangesTest extends TestCase
{
    private const SEED = 20261127;

    private const ROUNDS = 300;

    public function test_mutated_requests_are_answered_and_none_breaks_the_server(): void
    {
        $this->actingAs($this->person());
        $mutator = new Mutator(self::SEED, Mutator::seeds());
        $seeds = Mutator::seeds();
        $sheet = $this->sheet($seeds[count($seeds) - 1]);
        $made = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $operations = $mutator->operations();
            $answers = [
                'preview' => $this->postJson("/api/sheets/$sheet->id/preview", ['operations' => $operations]),
                'change' => $this->change($sheet, $sheet->refresh()->head, $operations),
                'bring' => $this->putJson("/api/sheets/$sheet->id/plan", [
                    'base' => $sheet->refresh()->head,
                    'change' => (string) \Illuminate\Support\Str::uuid(),
                    'plan' => json_encode($mutator->plan()),
                ]),
            ];
            foreach ($answers as $what => $answer) {
                self::assertContains(
                    $answer->status(),
                    [200, 409, 422],
                    "$what in round $round: ".substr((string) $answer->getContent(), 0, 300),
                );
                self::assertNotSame(
                    '',
                    (string) $answer->json($answer->status() === 200 ? 'scene.sheet.unit' : 'message'),
                    "$what in round $round",
                );
            }
            $made += $answers['change']->status() === 200 ? 1 : 0;
            if ($answers['bring']->status() === 200) {
                // Back to something that changes can be made to.
                $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $sheet->refresh()->head])->assertOk();
            }
            if ($round % 5 === 4) {
                $this->postJson("/api/sheets/$sheet->id/undo", ['base' => $sheet->refresh()->head])->assertOk();
            }
        }
        self::assertGreaterThan(self::ROUNDS / 12, $made);
        $this->getJson("/api/sheets/$sheet->id")->assertOk();
    }
}
