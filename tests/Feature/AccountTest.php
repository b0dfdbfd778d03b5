<?php

namespace Tests\Feature;

use App\Letters\Ticket;
use App\Models\Export;
use App\Models\Picture;
use App\Models\Sheet;
use App\Models\SheetRevision;
use App\Models\User;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Sternbild\Core\Format\PlanJson;
use Tests\TestCase;

/** What people do with their own account. */
final class AccountTest extends TestCase
{
    /** As the factory gives it. */
    private const SO_FAR = 'a long password';

    public function test_a_password_is_changed_by_who_knows_the_one_so_far_and_others_are_signed_out(): void
    {
        $person = $this->person();
        $elsewhere = $this->sessionOf($person);
        $stranger = $this->sessionOf($this->person('bo@sternbild.test'));
        $token = $person->getRememberToken();
        $this->actingAs($person);
        $this->putJson('/api/account/password', ['current' => 'guess', 'password' => 'another password'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['current']);
        $this->putJson('/api/account/password', ['current' => self::SO_FAR, 'password' => 'short'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['password']);
        self::assertTrue(DB::table('sessions')->where('id', $elsewhere)->exists());
        $this->putJson('/api/account/password', ['current' => self::SO_FAR, 'password' => 'another password'])->assertNoContent();
        self::assertTrue(Hash::check('another password', User::query()->findOrFail($person->id)->getAuthPassword()));
        self::assertNotSame($token, User::query()->findOrFail($person->id)->getRememberToken());
        self::assertFalse(DB::table('sessions')->where('id', $elsewhere)->exists());
        self::assertTrue(DB::table('sessions')->where('id', $stranger)->exists());
        $this->getJson('/api/session')->assertJsonPath('person.email', $person->email);
    }

    public function test_signing_out_everywhere_ends_every_session_of_the_person_alone(): void
    {
        $person = $this->person();
        $mine = [$this->sessionOf($person), $this->sessionOf($person)];
        $stranger = $this->sessionOf($this->person('bo@sternbild.test'));
        $this->actingAs($person)->postJson('/api/account/sign-out-everywhere')->assertNoContent();
        self::assertSame(0, DB::table('sessions')->whereIn('id', $mine)->count());
        self::assertTrue(DB::table('sessions')->where('id', $stranger)->exists());
        $this->app?->make('auth')->forgetGuards();
        $this->getJson('/api/sheets')->assertUnauthorized();
    }

    public function test_pictures_and_files_go_with_the_account_unless_somebody_else_has_them(): void
    {
        $picture = static fn (User $person, string $hash): Picture => Picture::query()->create([
            'user_id' => $person->id,
            'hash' => $hash,
            'type' => 'png',
            'width' => 1,
            'height' => 1,
            'bytes' => 1,
        ]);
        [$mine, $shared] = [str_repeat('a', 64), str_repeat('b', 64)];
        $person = $this->person();
        $picture($person, $mine);
        $picture($person, $shared);
        $picture($this->person('bo@sternbild.test'), $shared);
        $export = Export::query()->create([
            'user_id' => $person->id,
            'sheet_id' => null,
            'asked' => [],
            'name' => 'all.zip',
            'state' => Export::READY,
        ]);
        foreach ([Picture::pathOf($mine), Picture::pathOf($shared), $export->path()] as $path) {
            Storage::put($path, 'bytes');
        }
        $this->actingAs($person)
            ->deleteJson('/api/account', ['current' => self::SO_FAR])
            ->assertNoContent();
        self::assertSame(
            [false, true, false],
            array_map(Storage::exists(...), [Picture::pathOf($mine), Picture::pathOf($shared), $export->path()]),
        );
        Storage::delete(Picture::pathOf($shared));
    }

    public function test_what_is_saved_in_another_tab_while_the_account_goes_is_told_that_it_is_gone(): void
    {
        $person = $this->person();
        $this->actingAs($person);
        $sheet = $this->sheet();
        DB::listen(static function (QueryExecuted $query) use ($person): void {
            // Just before its row is written.
            if (str_contains($query->sql, 'INSERT INTO turns')) {
                DB::table('sheets')->where('user_id', $person->id)->delete();
                DB::table('users')->where('id', $person->id)->delete();
            }
        });
        $this->change($sheet, 1, [self::sectors(12)])->assertNotFound()->assertJsonPath('problem', 'none');
    }

    public function test_old_links_end_with_a_change_of_the_password(): void
    {
        $person = $this->person();
        $token = basename(Ticket::link(Ticket::RESET, $person->email));
        $this->actingAs($person)
            ->putJson('/api/account/password', ['current' => self::SO_FAR, 'password' => 'another password'])
            ->assertNoContent();
        $this->postJson('/api/reset', ['token' => $token, 'password' => 'a third password'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['token']);
        self::assertTrue(Hash::check('another password', User::query()->findOrFail($person->id)->getAuthPassword()));
    }

    public function test_an_account_goes_with_all_that_belongs_to_it_and_nothing_else(): void
    {
        $this->actingAs($other = $this->person('bo@sternbild.test'));
        $kept = $this->sheet();
        $person = $this->person();
        $this->actingAs($person);
        $sheet = $this->sheet();
        $this->change($sheet, 1, [self::sectors(12)])->assertOk();
        $this->deleteJson('/api/sheets/'.$this->sheet()->id)->assertNoContent();
        $this->deleteJson('/api/account', ['current' => 'guess'])->assertUnprocessable()->assertJsonValidationErrors(['current']);
        self::assertTrue(User::query()->whereKey($person->id)->exists());
        $this->deleteJson('/api/account', ['current' => self::SO_FAR])->assertNoContent();
        self::assertFalse(User::query()->whereKey($person->id)->exists());
        self::assertSame([$kept->id], Sheet::withTrashed()->pluck('id')->all());
        self::assertSame([$other->id], SheetRevision::query()->distinct()->pluck('user_id')->all());
    }

    public function test_all_sheets_are_taken_home_as_plans_that_open_again(): void
    {
        $this->actingAs($this->person('bo@sternbild.test'));
        $this->sheet();
        $this->actingAs($person = $this->person());
        $first = $this->sheet();
        $this->change($first, 1, [self::sectors(12)])->assertOk();
        $this->sheet();
        $order = $this->postJson('/api/account/exports')->assertStatus(202)->assertJsonPath('state', 'ready');
        $file = (string) tempnam(sys_get_temp_dir(), 'all');
        file_put_contents(
            $file,
            $this->get('/api/exports/'.self::text($order->json('id')).'/file')
                ->assertDownload('sheets.zip')
                ->streamedContent(),
        );
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($file));
        self::assertSame(2, $zip->numFiles);
        $plans = [];
        for ($k = 0; $k < $zip->numFiles; $k++) {
            $plans[] = $plan = (string) $zip->getFromIndex($k);
            $this->postJson('/api/sheets', ['name' => 'Home again', 'plan' => $plan])->assertCreated();
        }
        $zip->close();
        unlink($file);
        self::assertContains(PlanJson::pretty(Sheet::query()->findOrFail($first->id)->headRevision()->plan), $plans);
        self::assertSame(4, $person->sheets()->count());
    }

    /** A session as another device holds one. */
    private function sessionOf(User $person): string
    {
        $id = Str::random(40);
        DB::table('sessions')->insert(['id' => $id, 'user_id' => $person->id, 'payload' => '', 'last_activity' => time()]);

        return $id;
    }
}
