<?php

declare(strict_types=1);

// People with a sheet each, signed in, for bench/crowd.php: a hundred designers with a sample sheet, three with the worst plans known.
// As JSON: cookie, token, sheet, the step and field whose number is changed, and two values for it.

use App\Models\User;
use App\Sheets\SheetBook;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sternbild\Core\Plan\Reading\PlanReader;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

/** @param  array<string, mixed>  $plan */
$person = static function (string $name, array $plan, string $step, string $field, array $values) use ($app): array {
    $person = User::query()->firstOrCreate(['email' => "$name@sternbild.test"], ['name' => $name, 'password' => Str::random(40)]);
    $sheet = $app->make(SheetBook::class)->create($person, $name, $plan, 'New sheet');
    [$session, $token] = [Str::random(40), Str::random(40)];
    DB::table('sessions')->insert([
        'id' => $session, 'user_id' => $person->id, 'last_activity' => time(),
        'payload' => base64_encode(serialize(['_token' => $token, 'login_web_'.sha1(Illuminate\Auth\SessionGuard::class) => $person->id])),
    ]);
    $encrypter = $app->make('encrypter');
    $cookie = config()->string('session.cookie');

    return [
        'name' => $name, 'token' => $token, 'sheet' => $sheet->id, 'step' => $step, 'field' => $field, 'values' => $values,
        'cookie' => "$cookie=".urlencode($encrypter->encrypt(CookieValuePrefix::create($cookie, $encrypter->getKey()).$session, false)),
    ];
};

$plan = static fn (array $steps): array => [
    'format' => 'sternbild-plan', 'version' => 1, 'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'background' => null],
    'palette' => ['ink' => '#1b2140'], 'steps' => $steps,
];
$rosette = PlanReader::decode((string) file_get_contents(resource_path('demo/1-floor-rosette.json')))['plan'];
$people = ['designers' => [], 'others' => []];
for ($number = 1; $number <= (int) ($argv[1] ?? 100); $number++) {
    $people['designers'][] = $person("designer-$number", $rosette, 'g1', 'radius', range(300, 380));
}
$people['others'] = [
    $person(
        'rings',
        $plan([
            ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 390, 'rings' => 9999, 'sectors' => 1],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 300], 'radius' => 100],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
        ]),
        'c1',
        'radius',
        range(20, 180),
    ),
    $person(
        'fine-grids',
        $plan([
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 300, 'rows' => 300, 'cell' => [2.6, 2.6]],
            [
                'id' => 'g2',
                'kind' => 'grid.rectangular',
                'origin' => [1, 1],
                'columns' => 300,
                'rows' => 300,
                'cell' => [2.57, 2.57],
                'angle' => 7,
            ],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'g2']],
        ]),
        'g2',
        'angle',
        range(1, 80),
    ),
    $person(
        'discs',
        $plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 50],
            ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1'], 'by' => [0.5, 0.1], 'count' => 3000],
            ['id' => 'j1', 'kind' => 'join', 'of' => ['r1']],
        ]),
        'p1',
        'radius',
        range(40, 120),
    ),
];
echo json_encode($people, JSON_THROW_ON_ERROR), "\n";
