<?php

declare(strict_types=1);

// Plans by lot whose counts stand at their limits, each within the memory and the clock of a request: says of each that breaks them how.
// Arguments: minutes, seed. Each lot of plans runs in a process of its own, so that one that ends without a word is found, too.

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Plan\RandomPlansTest;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneView;

const LOT = 20;

if (($argv[1] ?? '') === 'lot') {
    require __DIR__.'/../vendor/autoload.php';
    require __DIR__.'/../core/tests/bootstrap.php';
    $random = new ReflectionMethod(RandomPlansTest::class, 'randomPlan');
    $had = static fn (): float => (static fn (array $one): float => $one['ru_utime.tv_sec'] + $one['ru_utime.tv_usec'] / 1e6)(
        getrusage() ?: [],
    );
    for ($seed = (int) $argv[2]; $seed < (int) $argv[2] + LOT; $seed++) {
        fwrite(STDERR, "at $seed\n");
        $lot = new Randomizer(new Mt19937($seed));
        $plan = $random->invoke(null, $lot);
        foreach ($plan['steps'] as $number => $step) {
            foreach (Kinds::all()->get((string) $step['kind'])?->fields() ?? [] as $field) {
                if ($field instanceof NumberField && $field->measure === 'count' && isset($step[$field->name]) && $lot->getInt(0, 2) > 0) {
                    $plan['steps'][$number][$field->name] = (int) $field->most;
                }
            }
        }
        $begin = $had();
        Budget::setClock(static fn (): bool => $had() - $begin > 3.5 || memory_get_usage() > 0.7 * 256 * 1024 ** 2);
        try {
            $scene = Sample::scene($plan, budget: Budget::large());
            json_encode(SceneView::describe($scene, []), JSON_THROW_ON_ERROR);
        } catch (Unusable) {
            continue;
        } finally {
            Budget::setClock(null);
        }
        $took = $had() - $begin;
        if ($took > 5.0 || memory_get_peak_usage() > 236e6) {
            printf(
                "%d took %.1f s and %d MB: %s\n",
                $seed,
                $took,
                memory_get_peak_usage() / 1e6,
                json_encode(array_column($plan['steps'], 'kind')),
            );
            exit(1);
        }
    }
    exit(0);
}

$until = microtime(true) + 60 * (float) ($argv[1] ?? 1);
$seed = (int) ($argv[2] ?? 1);
$plans = $broken = 0;
while (microtime(true) < $until) {
    exec(escapeshellarg(PHP_BINARY).' -d memory_limit=256M '.escapeshellarg(__FILE__)." lot $seed 2>&1", $said, $status);
    $plans += LOT;
    if ($status !== 0) {
        $broken++;
        echo implode("\n", array_slice($said, -3)), "\n";
    }
    $said = [];
    $seed += LOT;
}
printf("%d plans, %d lots broken\n", $plans, $broken);
exit($broken === 0 ? 0 : 1);
