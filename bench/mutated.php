<?php

declare(strict_types=1);

// Mutated plans and changes, as many as asked for, read, worked out and described as a worker does it. One that breaks ends it; the slowest
// and the largest are told. Arguments: how many, seed.

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Mutator;
use Sternbild\Core\View\SceneView;

require __DIR__.'/../vendor/autoload.php';
set_error_handler(
    static fn (int $level, string $message, string $file, int $line): bool => throw new ErrorException($message, 0, $level, $file, $line),
);
ini_set('memory_limit', '256M');
$processor = static function (): float {
    $usage = getrusage() ?: [];

    return ($usage['ru_utime.tv_sec'] ?? 0) + ($usage['ru_utime.tv_usec'] ?? 0) / 1e6;
};
[$count, $seed] = [(int) ($argv[1] ?? 10_000), (int) ($argv[2] ?? 1)];
$mutator = new Mutator($seed, Mutator::seeds());
$seeds = Mutator::seeds();
$whole = $seeds[count($seeds) - 1];
$worst = ['seconds' => 0.0, 'megabytes' => 0.0];
$workedOut = 0;
for ($round = 0; $round < $count; $round++) {
    $isPlan = $round % 3 !== 2;
    $given = $isPlan ? $mutator->plan() : $mutator->operations();
    memory_reset_peak_usage();
    $start = $processor();
    try {
        $plan = $isPlan
            ? PlanReader::decode(json_encode($given, JSON_THROW_ON_ERROR))
            : PlanEdit::apply($whole, $given, Kinds::all())->plan();
        $scene = (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray($plan), Budget::large());
        json_encode(SceneView::describe($scene, []), JSON_THROW_ON_ERROR);
        $workedOut++;
    } catch (Unusable) {
        // Said by its place.
    } catch (Throwable $fault) {
        fwrite(STDERR, "Round $round: $fault\n".json_encode($given)."\n");
        exit(1);
    }
    unset($scene, $plan);
    foreach (['seconds' => $processor() - $start, 'megabytes' => memory_get_peak_usage() / 1e6] as $what => $value) {
        if ($value > $worst[$what]) {
            $worst[$what] = $value;
            file_put_contents(sys_get_temp_dir()."/mutated.$what.json", json_encode($given));
        }
    }
}
printf(
    "%d mutated plans and changes, %d of them worked out; the slowest took %.2f s of a processor, the largest %.0f MB\n",
    $count,
    $workedOut,
    $worst['seconds'],
    $worst['megabytes'],
);
exit($worst['seconds'] < 5.0 ? 0 : 1);
