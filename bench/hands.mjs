// What a hand does for each job, from an empty sheet, as the journeys count it. Argument: the report of the journeys (JSON). Aims are those of a practised hand; a journey
// also hands its work over and changes numbers afterwards, which the aims leave out.
import { readFileSync } from 'node:fs';

const AIMS = { 'job-golden': ['golden mark', 35], 'job-grille': ['woven border', 45], 'job-gull': ['mark of circles, crescents', 60], 'job-letter': ['letterform on a 45° grid', 38], 'job-mandala': ['mandala of own motifs', 32], 'job-petals': ['overlapping petals', 28], 'job-spiral': ['spiral on a triangular grid', 24], 'job-seat': ['isometric pattern', 42] };
const AIMS_BY_TITLE = { 'mandala by sectors': 28, 'pixel heart': 30, 'picture into cells': 12, 'ready grid, regions merged': 14, 'painting on two grids': 15, 'workspace of blocks': 15, 'overlapping petals': 28, 'golden mark': 35, 'woven border': 45, 'mark of circles': 60, 'isometric pattern': 42, 'letterform on a 45° grid': 38, 'mandala of own motifs': 32, 'spiral on a triangular grid': 24, 'sprite in two frames': 60, 'block scene': 45 };

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const rows = [];
const walk = (suite) => {
    for (const spec of suite.specs ?? []) {
        for (const test of spec.tests) {
            const counted = Number(test.annotations?.find(({ type }) => type === 'actions')?.description ?? test.results?.at(-1)?.annotations?.find(({ type }) => type === 'actions')?.description ?? NaN);
            const file = spec.file.replace('.spec.ts', '');
            const title = spec.title.split(':')[0];
            const [job, aim] = AIMS[file] ?? [title, AIMS_BY_TITLE[title] ?? null];
            if (spec.file.startsWith('job-')) rows.push([job, spec.title.slice(0, 60), aim, counted, spec.ok]);
        }
    }
    for (const inner of suite.suites ?? []) walk(inner);
};
for (const suite of report.suites) walk(suite);
const cell = (text, wide) => String(text ?? '–').padEnd(wide);
console.log(`${cell('job', 36)}${cell('aim', 6)}${cell('counted', 9)}journey`);
for (const [job, title, aim, counted, ok] of rows) console.log(`${cell(job.slice(0, 34), 36)}${cell(aim, 6)}${cell(counted, 9)}${title}${ok ? '' : '  (failed)'}`);
