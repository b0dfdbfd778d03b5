<?php

namespace Tests\Feature;

use Illuminate\Support\Facades\Storage;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Sternbild\Core\Edit\SceneOperations;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Tests\TestCase;

/** Answers against the OpenAPI document, and plans against the published JSON Schema, by a validator of its own. */
final class ContractTest extends TestCase
{
    public function test_answers_are_as_the_api_document_says(): void
    {
        $this->actingAs($this->person());
        $this->assertIs('Session', $this->getJson('/api/session')->getContent());
        $sheet = $this->sheet();
        $page = $this->getJson("/api/sheets/$sheet->id");
        $this->assertIs('SheetPage', $page->getContent());
        $this->assertIs(
            'SheetPage',
            $this->change($sheet, 1, [['op' => 'set', 'id' => 'g1', 'field' => 'rings', 'value' => 2]])->getContent(),
        );
        $this->assertIs('Preview', $this->postJson("/api/sheets/$sheet->id/preview", ['operations' => [self::sectors(3)]])->getContent());
        $this->assertIs('Problem', $this->change($sheet, 1, [self::sectors(3)])->assertConflict()->getContent());
        $this->assertIs('Problem', $this->change($sheet, 2, [self::sectors(0)])->assertUnprocessable()->getContent());
        $this->assertIs('Problem', $this->postJson('/api/sheets', ['name' => 'x', 'plan' => 'x'])->assertUnprocessable()->getContent());
        $this->assertIs('Export', $this->postJson("/api/sheets/$sheet->id/exports", ['format' => 'pdf'])->assertStatus(202)->getContent());
        foreach ((array) json_decode((string) $this->getJson("/api/sheets/$sheet->id/forms")->assertOk()->getContent())->forms as $form) {
            $this->assertIs('FileForm', json_encode($form, JSON_THROW_ON_ERROR));
            $this->assertIs(
                'Estimate',
                $this->postJson("/api/sheets/$sheet->id/estimate", ['format' => $form->name])
                    ->assertOk()
                    ->getContent(),
            );
        }
        $this->assertIs(
            'Problem',
            $this->postJson("/api/sheets/$sheet->id/estimate", ['format' => 'png', 'scale' => 'gilt'])
                ->assertUnprocessable()
                ->getContent(),
        );
        $this->assertIs('Kept', $this->getJson('/api/account')->assertOk()->getContent());
        foreach ((array) $this->getJson('/api/sheets')->json('sheets') as $entry) {
            $this->assertIs('SheetEntry', json_encode($entry, JSON_THROW_ON_ERROR));
        }
        $kinds = json_decode((string) $this->getJson('/api/kinds')->getContent());
        self::assertCount(count(Kinds::all()->names()), $kinds->kinds);
        foreach ($kinds->kinds as $kind) {
            $this->assertIs('Kind', json_encode($kind, JSON_THROW_ON_ERROR));
        }
    }

    public function test_answers_about_places_are_as_the_api_document_says(): void
    {
        $this->actingAs($this->person());
        $sheet = $this->sheet(self::guided());
        $this->assertIs('SheetPage', $this->getJson("/api/sheets/$sheet->id")->getContent());
        $this->assertIs(
            'Snap',
            $this->postJson("/api/sheets/$sheet->id/snap", ['x' => 400, 'y' => 398, 'reach' => 9])
                ->assertOk()
                ->getContent(),
        );
        $this->assertIs(
            'SnapPlaces',
            $this->postJson("/api/sheets/$sheet->id/snap-places")
                ->assertOk()
                ->getContent(),
        );
        $this->assertIs(
            'Settled',
            $this->postJson("/api/sheets/$sheet->id/settle", ['id' => 'c1', 'x' => 400, 'y' => 398, 'reach' => 9])
                ->assertOk()
                ->getContent(),
        );
        $this->assertIs(
            'CloseUp',
            $this->postJson("/api/sheets/$sheet->id/close-up", ['left' => 0, 'top' => 0, 'right' => 800, 'bottom' => 800])
                ->assertOk()
                ->getContent(),
        );
        foreach ((array) json_decode((string) $this->getJson('/api/examples')->getContent())->examples as $example) {
            $this->assertIs('Example', json_encode($example, JSON_THROW_ON_ERROR));
            // It can be brought in as it is.
            $this->postJson('/api/sheets', ['name' => $example->name, 'plan' => $example->plan])->assertCreated();
        }
        foreach ((array) json_decode((string) $this->getJson('/api/constructions')->getContent())->constructions as $construction) {
            $this->assertIs('Construction', json_encode($construction, JSON_THROW_ON_ERROR));
        }
    }

    public function test_answers_of_the_scanner_are_as_the_api_document_says(): void
    {
        $this->actingAs($this->person());
        $this->assertIs('Scanner', $this->getJson('/api/scanner')->assertOk()->getContent());
        $scan = $this->postJson('/api/scanner/scans', ['page' => 'clock', 'resolution' => 100])->assertCreated();
        $this->assertIs('Scan', $scan->getContent());
        $id = self::text($scan->json('id'));
        $until = microtime(true) + 30;
        while ($this->getJson("/api/scanner/scans/$id")->json('state') === 'scanning') {
            self::assertLessThan($until, microtime(true), 'The scan does not come to an end.');
        }
        $this->assertIs('Scan', $this->getJson("/api/scanner/scans/$id")->getContent());
        Storage::fake();
        $this->assertIs(
            'ScannedPicture',
            $this->postJson("/api/scanner/scans/$id/picture", ['straighten' => true, 'within' => [800, 600]])
                ->assertCreated()
                ->getContent(),
        );
        $this->assertIs('Problem', $this->postJson('/api/scanner/scans', [])->assertUnprocessable()->getContent());
        $this->assertIs('Scanner', $this->deleteJson("/api/scanner/scans/$id")->assertOk()->getContent());
    }

    public function test_every_route_is_in_the_api_document_and_the_other_way_round(): void
    {
        $documented = [];
        foreach (self::document()->paths as $path => $operations) {
            foreach (array_intersect(array_keys((array) $operations), ['get', 'post', 'put', 'patch', 'delete']) as $method) {
                $documented[] = strtoupper($method).' '.preg_replace('/\{\w+\}/', '{}', $path);
            }
        }
        $routes = [];
        foreach (app('router')->getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/') && ! str_contains($route->uri(), '{unknown}')) {
                foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                    $routes[] = "$method /".preg_replace('/\{\w+\}/', '{}', rtrim($route->uri(), '/'));
                }
            }
        }
        sort($documented);
        sort($routes);
        self::assertSame($documented, $routes);
    }

    public function test_the_published_schema_takes_the_sample_plans_and_refuses_what_the_reader_refuses(): void
    {
        $schema = json_decode((string) file_get_contents(base_path('core/resources/plan.schema.json')));
        $accepts = static fn (mixed $plan): bool => (new Validator)
            ->validate(json_decode(json_encode($plan, JSON_THROW_ON_ERROR)), $schema)
            ->isValid();
        $reads = static function (mixed $plan): bool {
            try {
                (new PlanReader(Kinds::all()))->fromArray(is_array($plan) ? $plan : []);

                return true;
            } catch (Unusable) {
                return false;
            }
        };
        foreach (glob(resource_path('demo/*.json')) ?: [] as $file) {
            $sample = json_decode((string) file_get_contents($file));
            self::assertTrue($accepts($sample->plan), $file);
            self::assertTrue($reads(PlanReader::decode((string) file_get_contents($file))['plan']), $file);
        }
        foreach (
            [
                ['version' => 2],
                ['steps' => 5],
                ['sheet' => ['width' => 1]],
                ['extra' => 1],
                ['palette' => ['lagoon' => 'blue']],
                ['steps' => [['id' => 'g1', 'kind' => 'grid.hexagonal']]],
                ['steps' => [['id' => 'G1', 'kind' => 'grid.polar', 'center' => [1, 2], 'radius' => 3, 'rings' => 1, 'sectors' => 2]]],
                ['steps' => [['id' => 'g1', 'kind' => 'grid.polar', 'center' => [1, 2], 'radius' => 3, 'rings' => 1]]],
                ['steps' => [['id' => 'g1', 'kind' => 'grid.polar', 'center' => 'g1', 'radius' => 3, 'rings' => 1, 'sectors' => 2]]],
                [
                    'steps' => [
                        [
                            'id' => 'g1',
                            'kind' => 'grid.polar',
                            'center' => [1, 2],
                            'radius' => 3,
                            'rings' => 1,
                            'sectors' => 2,
                            'axis' => 'north',
                        ],
                    ],
                ],
                ['steps' => [['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1@1,1']]]],
                ['steps' => [['id' => 's1', 'kind' => 'style', 'of' => [], 'fill' => 'ink']]],
            ] as $spoilt
        ) {
            $plan = [...self::rosette(), ...$spoilt];
            self::assertFalse($accepts($plan), 'The schema takes '.json_encode($spoilt));
            self::assertFalse($reads($plan), 'The reader takes '.json_encode($spoilt));
        }
    }

    private function assertIs(string $name, string|false $json): void
    {
        $schema = json_decode(
            json_encode(['$ref' => "#/components/schemas/$name", 'components' => self::document()->components], JSON_THROW_ON_ERROR),
        );
        $result = (new Validator)->validate(json_decode((string) $json), $schema);
        $error = $result->error();
        self::assertNull($error, $error === null ? '' : "$name: ".json_encode((new ErrorFormatter)->format($error)));
    }

    private static function document(): \stdClass
    {
        $document = json_decode((string) file_get_contents(resource_path('api/openapi.json')));

        return $document instanceof \stdClass ? $document : throw new \UnexpectedValueException('The API document is not an object.');
    }

    public function test_operations_say_what_the_document_says_of_them(): void
    {
        $known = SceneOperations::all(static fn (): Scene => throw new \LogicException('Nothing is worked out here.'));
        $declared = [];
        foreach ($known->list() as $operation) {
            $declared[$operation->name()] = [
                'type' => 'object', 'properties' => ['op' => ['const' => $operation->name()], ...$operation->properties()],
                'required' => ['op', ...$operation->required()], 'additionalProperties' => false,
            ];
        }
        /** @var array{components: array{schemas: array{Operation: array{oneOf: list<array<string, mixed>>}}}} $document */
        $document = json_decode((string) file_get_contents(base_path('resources/api/openapi.json')), true, flags: JSON_THROW_ON_ERROR);
        $told = [];
        foreach ($document['components']['schemas']['Operation']['oneOf'] as $one) {
            /** @var array{op: array{const: string}} $properties */
            $properties = $one['properties'];
            $told[$properties['op']['const']] = array_diff_key($one, ['description' => true]);
        }
        self::assertEquals($told, $declared);
    }
}
