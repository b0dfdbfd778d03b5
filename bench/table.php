<?php

declare(strict_types=1);

// Prints the results as one table, says which aims were missed, and which ratios grew by more than a quarter over those that are kept in
// figures.json. In: lines of NAME and JSON, tab between; and `keep`, where these are to be kept from now on.

const KEPT = __DIR__.'/figures.json';
const GROWN = 1.25;

$results = [];
foreach (file($argv[1]) ?: [] as $line) {
    [$name, $json] = explode("\t", $line, 2);
    $results[$name] = json_decode($json, true, 16, JSON_THROW_ON_ERROR);
}
$ms = static fn (float $milliseconds): string => sprintf($milliseconds < 100 ? '%.1f ms' : '%.0f ms', $milliseconds);
$median = static fn (array $times): string => "{$ms($times['median'])} ({$ms($times['p95'])})";
$missed = $figures = [];
$part = '';

$tell = static function (string $what, string $value, string $note = ''): void {
    printf("%-74s %20s   %s\n", $what, $value, $note);
};
// A figure that is to be at most so much; without an aim it is told.
$atMost = static function (string $what, float $figure, string $form, ?float $aim, string $note = '') use ($tell, &$missed, &$part): void {
    $isMissed = $aim !== null && $figure > $aim;
    $tell($what, sprintf($form, $figure), ($aim === null ? '' : ($isMissed ? 'MISSED, ' : '').sprintf("at most $form", $aim)).
        ($note === '' ? '' : ($aim === null ? '' : '; ').$note));
    if ($isMissed) {
        $missed[] = "$part: ".trim($what).': '.sprintf($form, $figure).sprintf(" for $form", $aim);
    }
};
// The same of a time over that of its reference, which is what is kept.
$ratio = static function (string $what, float $ours, float $theirs, ?float $aim, string $note = '') use ($atMost, &$figures, &$part): void {
    $atMost("  $what", $ours / $theirs, '%.2f times', $aim, $note);
    $figures["$part: $what"] = round($ours / $theirs, 3);
};

$parts = [
    'join' => function (array $r) use ($tell, $ratio, $ms): void {
        $tell("join of {$r['join']['cells']} cells, evaluation included (median of 10)", $ms($r['join']['median']));
        foreach (['polygon-clipping', 'shapely'] as $library) {
            $tell("  the same by $library", $ms($r[$library]['best']));
        }
        $ratio('over the faster of the two', $r['join']['median'], min($r['polygon-clipping']['best'], $r['shapely']['best']), 0.25);
    },
    'cut' => function (array $r) use ($tell, $ratio, $atMost, $ms): void {
        $aims = ['polygon' => 1.0, 'circles' => 1.0, 'segments' => 1.5, 'grid' => 1.0];
        foreach ($r['cut by GEOS'] as $name => $theirs) {
            $cut = $r['cut'][$name];
            $tell("$name: {$cut['faces']} faces", $ms($cut['best']), $name === 'polygon 24' ? '9,024 faces' : '');
            $tell("  the same by GEOS: {$theirs['faces']} faces; noding alone", $ms($theirs['noding']));
            $ratio("$name over noding alone", $cut['best'], $theirs['noding'], $aims[explode(' ', $name)[0]]);
            $ratio("$name over noding and polygonizing", $cut['best'], $theirs['best'], null);
        }
        $atMost('  peak memory', $r['cut']['memory'], '%.0f MB', 400);
        foreach ($r['cut']['growth'] as $n => $each) {
            $tell("segments by lot, $n: time over (n + k) log n", sprintf('%.2f µs', $each));
        }
        $ratio('largest over smallest', max($r['cut']['growth']), min($r['cut']['growth']), 2.0);
        $location = $r['cut']['location'];
        $tell("10,000 places found among {$location['faces']} faces", $ms($location['questions']));
        $ratio('places found over building the faces', $location['questions'], $location['build'], 0.5);
    },
    'combine' => function (array $r) use ($tell, $ratio, $ms): void {
        $aims = ['join of 100 outlines of cubics' => ['pathkit', 1.0], 'join of 300 circles' => ['shapely', 1.0]];
        foreach ($r['combine'] as $name => $ours) {
            $tell("$name: {$ours['nodes']} nodes (median of 5)", $ms($ours['median']));
            foreach (['pathkit' => $r['combine by PathKit'], ...$r['combine flattened']] as $library => $theirs) {
                $aim = ($aims[$name] ?? null) !== null && $aims[$name][0] === $library ? $aims[$name][1] : null;
                $more = sprintf('%s, %.1f times the nodes', $ms($theirs[$name]['best']), $theirs[$name]['nodes'] / max(1, $ours['nodes']));
                $ratio("$name over $library", $ours['median'], $theirs[$name]['best'], $aim, $more);
            }
        }
    },
    'inset' => function (array $r) use ($ratio, $atMost, $ms): void {
        foreach ($r['inset'] as $name => $ours) {
            $isOfCubics = $name === '200 cubics';
            $atMost("20 insets of $name: {$ours['nodes']} nodes (best)", $ours['best'], '%.0f ms', $isOfCubics ? 2000.0 : null);
            foreach ($r['inset flattened'][$name] as $library => $theirs) {
                $more = sprintf('%s, %.1f times the nodes', $ms($theirs['best']), $theirs['nodes'] / $ours['nodes']);
                $ratio("$name over $library", $ours['best'], $theirs['best'], $isOfCubics ? null : 1.0, $more);
            }
            $atMost('  off its distance', $ours['off'], '%.1e', $isOfCubics ? 1e-4 : 1e-6);
        }
    },
    'band' => function (array $r) use ($tell, $ratio, $ms): void {
        $tell("bands of 1,000 runs: {$r['band']['nodes']} nodes (best of 3)", $ms($r['band']['best']));
        foreach ([...$r['band flattened'], ...$r['band by PathKit']] as $library => $theirs) {
            $more = sprintf('%s, %.1f times the nodes', $ms($theirs['best']), $theirs['nodes'] / $r['band']['nodes']);
            $ratio("over $library", $r['band']['best'], $theirs['best'], $library === 'pathkit' ? 2.0 : null, $more);
        }
    },
    'ornament' => function (array $r) use ($tell, $ratio, $ms): void {
        [$ours, $flat] = [$r['ornament'], $r['ornament flattened']];
        foreach (['lap' => 'a rosette of 36 petals that lie over one another', 'weave' => 'a weave of 400 crossings'] as $what => $label) {
            $tell("$label (median of 5)", $ms($ours[$what]), sprintf('area %.2f', $ours["$what area"]));
            $ratio("$what over Shapely, flattened to 1e-4", $ours[$what], $flat[$what], 1.0, sprintf('area %.2f', $flat["$what area"]));
        }
        $tell('what lies under the edges of 2,000 neighbours', $ms($ours['seams']), sprintf('SVG %.2f times the bytes', $ours['bytes']));
        $ratio('seams over encoding the answer', $ours['seams'], $ours['encoding'], 1.0, $ms($ours['encoding']));
    },
    'patterns' => function (array $r) use ($tell, $ratio, $atMost, $ms, $median): void {
        $ours = $r['patterns'];
        $tell('a p6m cell of a motif of 40 curves, into an answer (median of 15)', $median($ours['one']));
        $atMost('  1,000 cells of it, 12,000 copies', $ours['many']['median'], '%.1f ms', 2 * $ours['one']['median'] + 20);
        $atMost('  bytes of the answer', $ours['bytes']['many'] / 1000, '%.1f kB', $ours['bytes']['one'] / 1000 + 60);
        $tell('  every copy written out', $ms($ours['spelt']['median']), sprintf('%.1f kB', $ours['bytes']['spelt'] / 1000));
        $tell('its tile at 4,096 px (median of 3)', $median($ours['tile']));
        $ratio('tile over rsvg-convert on every copy', $ours['tile']['median'], $ours['written out']['median'], 1.2);
    },
    'pixels' => function (array $r) use ($tell, $ratio, $ms, $median): void {
        [$ours, $pillow] = [$r['pixels'], $r['pixels by Pillow']];
        $tell('12 megapixels sampled into 160 × 96 cells, 16 colours (median of 9)', $median($ours['sample']));
        $ratio('sampling over Pillow, resize and quantize', $ours['sample']['median'], $pillow['median'], 4.0, $ms($pillow['median']));
        $tell('a bitmap of 400 × 300 cells (median of 9)', $median($ours['bitmap']));
        $ratio('bitmap over GD drawing the same', $ours['bitmap']['median'], $ours['gd']['median'], 3.0, $ms($ours['gd']['median']));
    },
    'references' => function (array $r) use ($tell, $ratio, $atMost, $ms, $median): void {
        [$ours, $elements] = [$r['references'], $r['references by svgelements']];
        $tell('a drawing of 10,000 paths read (median of 5)', $median($ours['drawing']));
        $ratio('a drawing over svgelements', $ours['drawing']['median'], $elements['median'], 4.0, $ms($elements['median']));
        $atMost('a circle fitted along a stroke of 400 pixels (median of 9)', $ours['fit']['median'], '%.1f ms', 100);
        $tell('24 megapixels decoded and resized by ImageMagick (median of 3)', $median($ours['plain']));
    },
    'grids' => function (array $r) use ($tell, $ratio, $ms): void {
        foreach ($r['grids'] as $family => $grid) {
            $tell("$family grid of {$grid['cells']} cells, evaluated", $ms($grid['evaluated']));
            $tell('  evaluated, put into an answer and gzipped', $ms($grid['whole']), sprintf('%.1f kB', $grid['bytes'] / 1000));
            $ratio("$family over encoding and gzipping the answer", $grid['whole'], $grid['encoded'], null);
        }
    },
    'server' => function (array $r) use ($tell, $ratio, $atMost, $median): void {
        $times = $r['server']['times'];
        foreach ($times as $what => $one) {
            $tell("round trip, $what", $median($one));
            if ($what !== 'nothing') {
                $ratio("$what over nothing", $one['median'], $times['nothing']['median'], 8.0);
            }
        }
        $atMost('answer to a changed number, gzipped', $r['server']['bytes of a changed number, gzipped'] / 1000, '%.1f kB', null);
    },
    'mark' => function (array $r) use ($tell, $ratio, $median): void {
        $times = $r['mark']['times'];
        foreach ($times as $what => $one) {
            $tell("the gull's plan of {$r['mark']['steps']} steps, $what", $median($one));
            if ($what !== 'nothing') {
                $ratio("$what over nothing", $one['median'], $times['nothing']['median'], str_contains($what, 'first') ? 10.0 : 4.0);
            }
        }
    },
    'long' => function (array $r) use ($tell, $ratio, $atMost, $median): void {
        $times = $r['long']['times'];
        foreach ($times as $what => $one) {
            $tell("plan of {$r['long']['steps']} steps, $what", $median($one));
            if ($what !== 'nothing') {
                $ratio("$what over nothing", $one['median'], $times['nothing']['median'], str_contains($what, 'first') ? 6.0 : 3.0);
            }
        }
        foreach ($r['long']['bytes'] as $what => $bytes) {
            $atMost("  $what: bytes beyond the geometry that changed", $bytes['beyond'] / 1000, '%.1f kB', 10);
        }
    },
    'vary' => function (array $r) use ($tell, $ratio, $atMost, $ms, $median): void {
        $vary = $r['vary'];
        $p95 = "p95 {$ms($vary['varied']['p95'])}";
        $atMost('twelve variations of the sample mandala (median)', $vary['varied']['median'], '%.0f ms', 3000, $p95);
        $tell('  a change by somebody else meanwhile', $median($vary['beside']));
        $alone = $vary['alone']['median'];
        $ratio('a change meanwhile over one alone', $vary['beside']['median'], $alone, 2.0, $ms($alone));
    },
    'desk' => function (array $r) use ($tell, $atMost, $median): void {
        $desk = $r['desk'];
        $tell('from a key press in a number to the picture', $median($desk['press']));
        $atMost('  95th percentile', $desk['press']['p95'], '%.0f ms', 100);
        $what = [
            'dragging' => 'a handle dragged',
            'carrying' => 'a part dragged',
            'hovering' => 'the pointer over 2,000 figures',
            'scrolling' => 'the plan scrolled',
        ];
        foreach ($what as $name => $label) {
            $atMost("  frames, $label, 100 ms on the line (p95)", $desk[$name]['p95'], '%.1f ms', 20);
        }
        $atMost("  frames, cells taken out of {$desk['picked']} picked ones (median)", $desk['picking']['median'], '%.1f ms', 20);
    },
    'editor' => function (array $r) use ($atMost): void {
        $editor = $r['editor'];
        $atMost('JavaScript for the first sheet, gzipped', $editor['gzipped'] / 1000, '%.1f kB', 180);
        $atMost("dragging across {$editor['picked']} cells, frame time (median)", $editor['median'], '%.1f ms', null);
        $atMost('  95th percentile', $editor['p95'], '%.1f ms', 20);
        $atMost('opening a sheet of 5,000 cells until it is painted', $editor['opening'], '%.0f ms', 350);
    },
    'cloth' => function (array $r) use ($atMost): void {
        $atMost('a point of a motif of 12,000 copies dragged, frame time (p95)', $r['cloth']['p95'], '%.1f ms', 20);
    },
    'large' => function (array $r) use ($tell, $ratio, $median): void {
        $tell('a JPEG of 24 megapixels from drop to sheet (median of 3)', $median($r['large']));
        if (isset($r['references'])) {
            $ratio('from drop to sheet over ImageMagick', $r['large']['median'], $r['references']['plain']['median'], 3.0);
        }
    },
    'brush' => function (array $r) use ($tell, $ratio, $atMost, $median, $ms): void {
        $brush = $r['brush'];
        $atMost('a brush pulled over 120,000 painted cells, frame time (p95)', $brush['p95'], '%.1f ms', 20);
        $tell('  a stroke of 50 cells kept (median of 12)', $median($brush['change']));
        $empty = $brush['empty']['median'];
        $ratio('a stroke over an empty request', $brush['change']['median'], $empty, 4.0, $ms($empty));
    },
    'crowd' => function (array $r) use ($tell, $atMost, $ms): void {
        $crowd = $r['crowd'];
        foreach (['alone', 'beside three with the worst plans'] as $case) {
            $one = $crowd[$case];
            $tell("{$crowd['designers']} designers $case, median", $ms($one['p50']));
            $atMost('  95th percentile', $one['p95'], '%.0f ms', $case === 'alone' ? 400.0 : null);
            $tell('  requests a second', sprintf('%.1f', $one['requests a second']));
            $atMost('  errors', $one['errors'], '%d', 0);
        }
        $atMost('  median beside them over alone', $crowd['median beside them, times'], '%.2f times', 1.5);
    },
];

$tell('measured', 'value', 'aim; median (95th percentile)');
echo str_repeat('-', 130), "\n";
foreach ($parts as $part => $say) {
    if (isset($results[$part])) {
        $say($results);
    }
}
echo "\n", $missed === [] ? "All aims were reached.\n" : "Missed:\n  ".implode("\n  ", $missed)."\n";

$kept = is_file(KEPT) ? json_decode((string) file_get_contents(KEPT), true, 4, JSON_THROW_ON_ERROR) : [];
$slower = array_filter(
    $figures,
    static fn (float $figure, string $what): bool => $figure > GROWN * ($kept[$what] ?? INF),
    ARRAY_FILTER_USE_BOTH,
);
foreach ($slower as $what => $figure) {
    echo $what === array_key_first($slower) ? "Slower than kept by more than a quarter:\n" : '', "  $what: $figure, was {$kept[$what]}\n";
}
if (($argv[2] ?? '') === 'keep') {
    $all = [...$kept, ...$figures];
    ksort($all);
    $flags = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
    file_put_contents(KEPT, json_encode($all, $flags)."\n");
}
