// Names the journeys that failed, or passed only at the second try, with what went wrong and where their pictures lie; and the slowest ones.
import { existsSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';

/** Seconds that a journey takes at most where the machine is quiet. */
const LONG = 30;

const [, , ...files] = process.argv;
const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
const pace = Number(process.env.STERNBILD_PACE ?? 1);
for (const spec of files.filter(existsSync).flatMap((file) => JSON.parse(readFileSync(file, 'utf8')).suites.flatMap(specs))) {
    for (const { status, results } of spec.tests) {
        const took = (results.at(-1)?.duration ?? 0) / 1000;
        if (status === 'expected' && took > LONG * pace) console.error(`long    ${spec.file}:${spec.line} ${spec.title}: ${took.toFixed(0)} s`);
        if (status !== 'unexpected' && status !== 'flaky') continue;
        const wrong = results.flatMap(({ errors }) => errors ?? []).map(({ message = '' }) => message.replace(/\u001b\[[0-9;]*m/g, '').split('\n').filter((line) => line.trim() !== '').slice(0, 4).join(' | '));
        const pictures = results.flatMap(({ attachments }) => attachments ?? []).flatMap(({ path }) => (path === undefined ? [] : [relative('.', path)]));
        console.error(`${status === 'flaky' ? 'again  ' : 'FAILED '} ${spec.file}:${spec.line} ${spec.title}: ${wrong[0] ?? 'no reason given'}${pictures.length === 0 ? '' : `; ${pictures[0]}`}`);
    }
}
