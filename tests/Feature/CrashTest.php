<?php

namespace Tests\Feature;

use App\Models\Sheet;
use App\Models\User;
use Tests\TestCase;

final class CrashTest extends TestCase
{
    /** @var list<string> nothing is rolled back here: the point is what stays */
    protected $connectionsToTransact = [];

    protected function tearDown(): void
    {
        User::query()->where('email', 'crash@sternbild.test')->get()->each(static function (User $person): void {
            Sheet::withTrashed()->where('user_id', $person->id)->get()->each(static fn (Sheet $sheet): ?bool => $sheet->forceDelete());
            $person->delete();
        });
        parent::tearDown();
    }

    public function test_a_crash_of_the_database_loses_no_acknowledged_revision(): void
    {
        $crash = getenv('STERNBILD_CRASH_DATABASE');
        self::assertNotFalse($crash, 'bin/test gives the command that stops the test database without warning and starts it again.');
        $this->actingAs($this->person('crash@sternbild.test'));
        $sheet = $this->sheet();
        $this->change($sheet, 1, [self::sectors(12)])->assertOk();
        $this->change($sheet, 2, [self::sectors(18)])->assertOk();

        exec($crash, $output, $status);
        self::assertSame(0, $status, implode("\n", $output));

        $this->getJson("/api/sheets/$sheet->id")->assertOk()->assertJsonPath('revision', 3)->assertJsonPath('plan.steps.0.sectors', 18);
        $this->change($sheet, 3, [self::sectors(20)])->assertOk()->assertJsonPath('revision', 4);
    }
}
