<?php

declare(strict_types=1);

// Prints the results as one table. In: lines of NAME and JSON, tab between.

$results = [];
foreach (file($argv[1]) ?: [] as $line) {
    [$name, $json] = explode("\t", $line, 2);
    $results[$name] = json_decode($json, true, 16, JSON_THROW_ON_ERROR);
}
$row = static fn (string $what, string $value, string $aim): string => sprintf("%-62s %18s   %s\n", $what, $value, $aim);
$ms = static fn (float $milliseconds): string => sprintf('%.1f ms', $milliseconds);
['join' => $ours, 'polygon-clipping' => $clipping, 'shapely' => $shapely, 'server' => $server, 'editor' => $editor] = $results;

echo $row('measured', 'value', 'aim'), str_repeat('-', 110), "\n";
echo $row("join of {$ours['cells']} cells, evaluation included (median of 10)", $ms($ours['median']), '');
echo $row('  the same by polygon-clipping (best of 3)', $ms($clipping['best']), '');
echo $row('  the same by Shapely, unary_union (best of 5)', $ms($shapely['best']), '');
echo $row(
    '  faster than the faster of the two',
    sprintf('%.1f times', min($clipping['best'], $shapely['best']) / $ours['median']),
    'at least 4 times',
);
$geos = $results['cut by GEOS'];
$aims = ['polygon' => 'at most 1', 'circles' => 'at most 1', 'segments' => 'at most 1.5', 'grid' => 'at most 1'];
foreach ($geos as $name => $theirs) {
    $cut = $results['cut'][$name];
    echo $row("$name: {$cut['faces']} faces", $ms($cut['best']), $name === 'polygon 24' ? '9,024 faces' : '');
    echo $row("  the same by GEOS: {$theirs['faces']} faces; noding alone", $ms($theirs['noding']), '');
    echo $row('  over noding alone', sprintf('%.2f', $cut['best'] / $theirs['noding']), $aims[explode(' ', $name)[0]]);
    echo $row('  over noding and polygonizing', sprintf('%.2f', $cut['best'] / $theirs['best']), '');
}
echo $row('  peak memory', sprintf('%.0f MB', $results['cut']['memory']), 'under 400 MB');
foreach ($results['combine'] as $name => $ours) {
    echo $row("$name: {$ours['nodes']} nodes (median of 5)", $ms($ours['median']), '');
    foreach (['pathkit' => $results['combine by PathKit'], ...$results['combine flattened']] as $library => $theirs) {
        echo $row(
            "  by $library: {$theirs[$name]['nodes']} nodes",
            $ms($theirs[$name]['best']),
            sprintf(
                '%.1f times as fast, %.1f times the nodes',
                $theirs[$name]['best'] / $ours['median'],
                $theirs[$name]['nodes'] / max(1, $ours['nodes']),
            ),
        );
    }
}
foreach ($results['inset'] as $name => $ours) {
    echo $row("20 insets of $name: {$ours['nodes']} nodes (best of 3)", $ms($ours['best']), '');
    foreach ($results['inset flattened'][$name] as $library => $theirs) {
        echo $row(
            "  by $library: {$theirs['nodes']} nodes",
            $ms($theirs['best']),
            sprintf(
                '%.1f times as fast, %.1f times the nodes; aims 1 and 10',
                $theirs['best'] / $ours['best'],
                $theirs['nodes'] / max(1, $ours['nodes']),
            ),
        );
    }
    echo $row(
        '  off its distance, at most',
        sprintf('%.1e', $ours['off']),
        $name === '200 cubics' ? 'a ten-thousandth of the distance' : '1e-9 of the sheet',
    );
}
echo $row("bands of 1,000 runs: {$results['band']['nodes']} nodes (best of 3)", $ms($results['band']['best']), '');
foreach ([...$results['band flattened'], ...$results['band by PathKit']] as $library => $theirs) {
    echo $row(
        "  by $library: {$theirs['nodes']} nodes",
        $ms($theirs['best']),
        sprintf(
            '%.2f times as fast, %.1f times the nodes',
            $theirs['best'] / $results['band']['best'],
            $theirs['nodes'] / $results['band']['nodes'],
        ),
    );
}
foreach (['lap' => 'a rosette of 36 petals that lie over one another', 'weave' => 'a weave of 400 crossings'] as $what => $label) {
    echo $row("$label (median of 5)", $ms($results['ornament'][$what]), sprintf('area %.2f', $results['ornament']["$what area"]));
    echo $row(
        '  by shapely, flattened to 1e-4',
        $ms($results['ornament flattened'][$what]),
        sprintf(
            '%.2f times as fast, area %.2f',
            $results['ornament flattened'][$what] / $results['ornament'][$what],
            $results['ornament flattened']["$what area"],
        ),
    );
}
echo $row(
    'what lies under the edges of 2,000 neighbours',
    $ms($results['ornament']['seams']),
    sprintf(
        '%.2f times the encoding of the answer (%s); SVG %.2f times the bytes',
        $results['ornament']['seams'] / $results['ornament']['encoding'],
        $ms($results['ornament']['encoding']),
        $results['ornament']['bytes'],
    ),
);
$patterns = $results['patterns'];
$row1 = $patterns['one']['median'];
echo $row(
    'a p6m cell of a motif of 40 curves, into an answer (median of 15)',
    $ms($row1),
    sprintf('95th percentile %s', $ms($patterns['one']['p95'])),
);
echo $row(
    '  1,000 cells of it, 12,000 copies',
    $ms($patterns['many']['median']),
    sprintf('at most %s; 95th percentile %s', $ms(2 * $row1 + 20), $ms($patterns['many']['p95'])),
);
echo $row(
    '  bytes of the answer',
    sprintf('%.1f kB', $patterns['bytes']['many'] / 1000),
    sprintf('at most %.1f kB', $patterns['bytes']['one'] / 1000 + 60),
);
echo $row('  every copy written out', $ms($patterns['spelt']['median']), sprintf('%.1f kB', $patterns['bytes']['spelt'] / 1000));
echo $row(
    'its tile at 4,096 px (median of 3)',
    $ms($patterns['tile']['median']),
    sprintf(
        '%.2f times rsvg-convert on every copy written out (%s); at most 2',
        $patterns['tile']['median'] / $patterns['written out']['median'],
        $ms($patterns['written out']['median']),
    ),
);
echo $row(
    'a point of a motif of 12,000 copies dragged, frame time (median)',
    $ms($results['cloth']['median']),
    sprintf('under 20 ms; 95th percentile %s', $ms($results['cloth']['p95'])),
);
$pixels = $results['pixels'];
$pillow = $results['pixels by Pillow'];
echo $row(
    '12 megapixels sampled into 160 × 96 cells, 16 colours (median of 9)',
    $ms($pixels['sample']['median']),
    sprintf(
        '%.1f times Pillow, resize and quantize (%s); at most 4; 95th percentile %s',
        $pixels['sample']['median'] / $pillow['median'],
        $ms($pillow['median']),
        $ms($pixels['sample']['p95']),
    ),
);
echo $row(
    'a bitmap of 400 × 300 cells (median of 9)',
    $ms($pixels['bitmap']['median']),
    sprintf(
        '%.1f times GD drawing the same (%s); at most 3; 95th percentile %s',
        $pixels['bitmap']['median'] / $pixels['gd']['median'],
        $ms($pixels['gd']['median']),
        $ms($pixels['bitmap']['p95']),
    ),
);
$references = $results['references'];
$elements = $results['references by svgelements'];
echo $row(
    'a drawing of 10,000 paths read (median of 5)',
    $ms($references['drawing']['median']),
    sprintf(
        '%.2f times svgelements (%s); at most 4; 95th percentile %s',
        $references['drawing']['median'] / $elements['median'],
        $ms($elements['median']),
        $ms($references['drawing']['p95']),
    ),
);
echo $row(
    'a circle fitted along a stroke of 400 pixels (median of 9)',
    $ms($references['fit']['median']),
    sprintf('under 100 ms; 95th percentile %s', $ms($references['fit']['p95'])),
);
echo $row(
    'a JPEG of 24 megapixels from drop to sheet (median of 3)',
    $ms($results['large']['median']),
    sprintf(
        '%.2f times ImageMagick, decode and resize (%s); at most 3; 95th percentile %s',
        $results['large']['median'] / $references['plain']['median'],
        $ms($references['plain']['median']),
        $ms($results['large']['p95']),
    ),
);
$brush = $results['brush'];
echo $row(
    'a brush pulled over 120,000 painted cells, frame time (95th percentile)',
    $ms($brush['p95']),
    sprintf('under 20 ms; median %s', $ms($brush['median'])),
);
echo $row(
    '  a stroke of 50 cells kept (median of 12)',
    $ms($brush['change']['median']),
    sprintf(
        '%.1f times an empty request (%s); at most 4; 95th percentile %s',
        $brush['change']['median'] / $brush['empty']['median'],
        $ms($brush['empty']['median']),
        $ms($brush['change']['p95']),
    ),
);
$growth = $results['cut']['growth'];
foreach ($growth as $n => $each) {
    echo $row("random segments, $n: time over (n + k) log n", sprintf('%.2f µs', $each), '');
}
echo $row('  largest over smallest', sprintf('%.2f', max($growth) / min($growth)), 'at most 2');
$location = $results['cut']['location'];
echo $row("10,000 places found among {$location['faces']} faces", $ms($location['questions']), '');
echo $row('  over building them', sprintf('%.2f', $location['questions'] / $location['build']), 'at most 0.5');
foreach ($results['grids'] as $family => $grid) {
    echo $row("$family grid of {$grid['cells']} cells, evaluated", $ms($grid['evaluated']), '');
    echo $row('  evaluated, put into an answer and gzipped', $ms($grid['whole']), '');
    echo $row('  over encoding and gzipping the answer alone', sprintf('%.1f times', $grid['whole'] / $grid['encoded']), '');
    echo $row('  bytes on the wire', sprintf('%.1f kB', $grid['bytes'] / 1000), '');
}
foreach ($server['times'] as $what => $times) {
    echo $row("round trip, $what (median)", $ms($times['median']), $what === 'nothing' ? 'reference' : '');
    echo $row(
        "round trip, $what (95th percentile)",
        $ms($times['p95']),
        $what === 'nothing' ? 'reference' : 'under 80 ms where nothing takes 15 ms',
    );
    if ($what !== 'nothing') {
        echo $row('  over nothing, median', sprintf('%.1f times', $times['median'] / $server['times']['nothing']['median']), '');
    }
}
echo $row('answer to a changed number, gzipped', sprintf('%.1f kB', $server['bytes of a changed number, gzipped'] / 1000), '');
echo $row('JavaScript, gzipped', sprintf('%.1f kB', $editor['gzipped'] / 1000), 'under 220 kB');
echo $row("dragging across {$editor['picked']} cells, frame time (median)", $ms($editor['median']), '');
echo $row("dragging across {$editor['picked']} cells, frame time (95th percentile)", $ms($editor['p95']), 'under 20 ms');
echo $row('opening a sheet of 5,000 cells until it is painted', $ms($editor['opening']), 'under 1000 ms');
$mark = $results['mark'];
foreach ($mark['times'] as $what => $times) {
    echo $row(
        "the gull's plan of {$mark['steps']} steps, $what (median, 95th percentile)",
        $ms($times['median']).', '.$ms($times['p95']),
        $what === 'nothing'
            ? 'reference'
            : sprintf(
                '%.1f times nothing; at most %d',
                $times['median'] / $mark['times']['nothing']['median'],
                str_contains($what, 'first') ? 10 : 4,
            ),
    );
}
$long = $results['long'];
$nothing = $long['times']['nothing']['median'];
foreach ($long['times'] as $what => $times) {
    echo $row(
        "plan of {$long['steps']} steps, $what (median, 95th percentile)",
        $ms($times['median']).', '.$ms($times['p95']),
        $what === 'nothing'
            ? 'reference'
            : sprintf('%.1f times nothing; at most %d', $times['median'] / $nothing, str_contains($what, 'first') ? 6 : 3),
    );
}
foreach ($long['bytes'] as $what => $bytes) {
    echo $row("  $what: bytes beyond the geometry that changed", sprintf('%.1f kB', $bytes['beyond'] / 1000), 'under 10 kB');
}
$vary = $results['vary'];
echo $row(
    'twelve variations of the sample mandala (median, 95th percentile)',
    $ms($vary['varied']['median']).', '.$ms($vary['varied']['p95']),
    'under 3000 ms',
);
echo $row(
    '  a change by somebody else meanwhile (median, 95th percentile)',
    $ms($vary['beside']['median']).', '.$ms($vary['beside']['p95']),
    sprintf('%.2f times without (%s); at most 2', $vary['beside']['median'] / $vary['alone']['median'], $ms($vary['alone']['median'])),
);
$desk = $results['desk'];
echo $row(
    'from a key press in a number to the picture (median, 95th percentile)',
    $ms($desk['press']['median']).', '.$ms($desk['press']['p95']),
    'under 100 ms',
);
foreach (
    [
        'dragging' => 'a handle dragged',
        'carrying' => 'a part dragged',
        'hovering' => 'the pointer over 2,000 figures',
        'scrolling' => 'the plan scrolled',
    ] as $name => $what
) {
    echo $row("  frames, $what, 100 ms on the line (95th percentile)", $ms($desk[$name]['p95']), 'under 20 ms');
}
echo $row("  frames, cells taken out of {$desk['picked']} picked ones (median)", $ms($desk['picking']['median']), 'under 20 ms');
$crowd = $results['crowd'];
foreach (['alone', 'beside three with the worst plans'] as $case) {
    $one = $crowd[$case];
    echo $row("{$crowd['designers']} designers $case, median", $ms($one['p50']), '');
    echo $row('  95th percentile', $ms($one['p95']), $case === 'alone' ? 'under 400 ms' : '');
    echo $row('  requests a second; errors', sprintf('%.1f; %d', $one['requests a second'], $one['errors']), 'no error');
}
echo $row('  median beside them over alone', sprintf('%.2f', $crowd['median beside them, times']), 'at most 1.5');
