<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Plan\Kind\Kinds;

/**
 * Makes plans, and changes to them, that nobody meant: values of other kinds, extremes, things missing, doubled, in another order. Seeded.
 */
final class Mutator
{
    private const EXTREMES = [
        0,
        -1,
        1,
        2,
        3,
        0.5,
        1e-9,
        -1e-9,
        1e9,
        -1e9,
        1e300,
        -1e300,
        99_999,
        2_147_483_648,
        9_223_372_036_854_775_807,
        4000,
        100_000,
    ];

    /** Numbers that are large, and may be. */
    private const LARGE = [9999, 4000, 1000, 400, 300, 200, 100, 64, 12];

    /** With these changed a plan is mostly refused, and nothing more of it is tried. */
    private const REFUSED = ['id', 'kind', 'format', 'version', 'op', 'name'];

    private const TEXTS = [
        '',
        'g1',
        'p1',
        'r1',
        'x',
        'g1@0',
        'g1#1,1',
        'g1#1,*',
        'p1!',
        'p1@1',
        '1/0',
        'g1.rings',
        '=1',
        "\u{FEFF}",
        "a\nb",
        'lagoon',
        '#ffffff',
        '@',
        '#',
        '~',
        'o1~1,1;c1',
        '9999999999',
        'not a thing',
        'ink',
        'true',
        'spoke',
        'both',
    ];

    private Randomizer $dice;

    /** @var list<array<string, mixed>> */
    private array $seeds;

    /** @param  list<array<string, mixed>>  $seeds  plans to begin from */
    public function __construct(int $seed, array $seeds)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
        $this->seeds = $seeds;
    }

    /** @return list<array<string, mixed>> the sample sheets, and a plan with something of everything */
    public static function seeds(): array
    {
        $plans = [];
        foreach (glob(dirname(__DIR__, 2).'/resources/demo/*.json') ?: [] as $file) {
            $plans[] = json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR)['plan'];
        }
        $plans[] = Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 5, 'sectors' => 10],
            ['id' => 'g2', 'kind' => 'grid.triangular', 'origin' => [0, 0], 'side' => 80, 'columns' => 5, 'rows' => 5],
            ['id' => 'g3', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [809, 500], 'form' => 'squares', 'depth' => 6],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => 'g1@0', 'radius' => 150],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[0, 0], [800, 700]]],
            ['id' => 'c3', 'kind' => 'guide.spiral', 'on' => 'g3'],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'c1', 'c2']],
            ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1#2,1', 'g1#3,1']],
            ['id' => 'p2', 'kind' => 'part.outline', 'points' => [[0, 0], [90, 0], [90, 90]], 'bends' => [['bulge' => 0.4], null]],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 'g1.sectors'],
            ['id' => 'r2', 'kind' => 'repeat.along', 'of' => ['p2'], 'by' => [30, 10], 'count' => 9, 'keep' => true],
            ['id' => 'j1', 'kind' => 'join', 'of' => ['r2']],
            ['id' => 'k1', 'kind' => 'cut', 'from' => 'j1', 'with' => ['p2']],
            ['id' => 'v1', 'kind' => 'turn', 'of' => ['k1'], 'about' => [400, 400], 'angle' => 30, 'copy' => true],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'lagoon', 'opacity' => 0.5],
        ], ['a' => 12]);

        return $plans;
    }

    /** @return array<array-key, mixed> */
    public function plan(): array
    {
        // Mostly the last one, in which there is something of everything.
        $plan = $this->seeds[min(count($this->seeds) - 1, $this->dice->getInt(0, 2 * count($this->seeds)))];
        for ($times = $this->dice->getInt(1, 2); $times > 0; $times--) {
            $plan = $this->dice->getInt(0, 8) === 0 ? $this->withSteps($plan) : (array) $this->changed($plan);
        }

        return $plan;
    }

    /** @return list<mixed> operations on a plan */
    public function operations(): array
    {
        $ids = ['g1', 'g2', 'c1', 'c2', 'o1', 'p1', 'p2', 'r1', 'r2', 'j1', 'k1', 's1', 'none'];
        $pick = fn (array $list): mixed => $list[$this->dice->getInt(0, count($list) - 1)];
        $operations = [];
        for ($times = $this->dice->getInt(1, 2); $times > 0; $times--) {
            $seed = $this->seeds[$this->dice->getInt(0, count($this->seeds) - 1)];
            $operation = $pick([
                [
                    'op' => 'set',
                    'id' => $pick($ids),
                    'field' => $pick([
                        'radius',
                        'rings',
                        'sectors',
                        'count',
                        'of',
                        'cells',
                        'center',
                        'name',
                        'muted',
                        'by',
                        'angle',
                        'points',
                        'fill',
                        'stroke.width',
                        'keep',
                    ]),
                    'value' => $this->anything(),
                ],
                ['op' => 'add', 'step' => $pick($seed['steps']), 'before' => $pick([...$ids, null])],
                [
                    'op' => 'add',
                    'step' => [
                        'kind' => $pick(Kinds::all()->names()),
                        'of' => [$pick($ids)],
                        'count' => $this->anything(),
                        'radius' => $this->anything(),
                    ],
                ],
                ['op' => 'remove', 'ids' => [$pick($ids), $pick($ids)]],
                ['op' => 'move', 'id' => $pick($ids), 'before' => $pick([...$ids, null]), 'leads' => $this->dice->getInt(0, 1) === 1],
                ['op' => 'chapter', 'from' => $pick($ids), 'name' => $this->anything()],
                ['op' => 'move-chapter', 'from' => $pick($ids), 'before' => $pick($ids)],
                ['op' => 'sheet', 'field' => $pick(['width', 'height', 'unit', 'background']), 'value' => $this->anything()],
                ['op' => 'value', 'name' => $pick(['a', 'b', '']), 'value' => $this->anything()],
                ['op' => 'colour', 'name' => $pick(['lagoon', 'new']), 'value' => $this->anything()],
                ['op' => 'rename-colour', 'name' => 'lagoon', 'to' => $this->anything()],
                [
                    'op' => 'lay',
                    'steps' => array_slice($seed['steps'], 0, $this->dice->getInt(0, 9)),
                    'palette' => $seed['palette'] ?? [],
                    'before' => null,
                ],
            ]);
            $operations[] = $this->dice->getInt(0, 4) === 0 ? $this->changed($operation) : $operation;
        }

        return $operations;
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private function withSteps(array $plan): array
    {
        $steps = is_array($plan['steps'] ?? null) ? array_values($plan['steps']) : [];
        if ($steps === []) {
            return $plan;
        }
        $at = $this->dice->getInt(0, count($steps) - 1);
        $plan['steps'] = match ($this->dice->getInt(0, 3)) {
            0 => $this->dice->shuffleArray($steps),
            1 => [...$steps, $steps[$at]],
            2 => array_values(array_diff_key($steps, [$at => true])),
            default => [
                ...array_slice($steps, 0, $at),
                is_array($steps[$at]) ? ['kind' => Kinds::all()->names()[$this->dice->getInt(0, 30)]] + $steps[$at] : $steps[$at],
                ...array_slice($steps, $at + 1),
            ],
        };

        return $plan;
    }

    /** The same with one value in it, anywhere, as it should not be. */
    private function changed(mixed $value): mixed
    {
        if (! is_array($value) || $value === [] || $this->dice->getInt(0, 90) === 0) {
            return $this->otherThan($value);
        }
        $numbers = array_filter($value, static fn (mixed $one): bool => is_int($one) || is_float($one));
        $from = $numbers !== [] && $this->dice->getInt(0, 9) < 6 ? $numbers : $value;
        $key = isset($value['steps']) && $this->dice->getInt(0, 9) > 0 ? 'steps' : $this->dice->pickArrayKeys($from, 1)[0];
        if ((in_array($key, self::REFUSED, true) || $key === 'cells') && $this->dice->getInt(0, 9) > 0) {
            return $this->changed($value);
        }
        if ($this->dice->getInt(0, $key === 'steps' ? 300 : 30) === 0) {
            $isList = array_is_list($value);
            unset($value[$key]);

            return $isList ? array_values($value) : $value;
        }
        $value[$key] = $this->changed($value[$key]);

        return $value;
    }

    private function otherThan(mixed $value): mixed
    {
        if ((is_int($value) || is_float($value)) && $this->dice->getInt(0, 6) > 0) {
            return match ($this->dice->getInt(0, 5)) {
                0 => self::EXTREMES[$this->dice->getInt(0, count(self::EXTREMES) - 1)],
                1, 2 => self::LARGE[$this->dice->getInt(0, count(self::LARGE) - 1)],
                3 => $value * $this->dice->getInt(-3, 40) / 4,
                default => $value * $this->dice->getInt(0, 90),
            };
        }

        return $this->anything();
    }

    private function anything(): mixed
    {
        return match ($this->dice->getInt(0, 8)) {
            0 => null,
            1 => $this->dice->getInt(0, 1) === 1,
            2 => [],
            3, 4 => self::EXTREMES[$this->dice->getInt(0, count(self::EXTREMES) - 1)],
            5, 6 => self::TEXTS[$this->dice->getInt(0, count(self::TEXTS) - 1)],
            7 => [$this->anything(), $this->anything()],
            default => ['x' => $this->anything(), 'bulge' => $this->anything()],
        };
    }
}
