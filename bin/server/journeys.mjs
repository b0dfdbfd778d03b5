// Names the journeys that failed, or passed only at the second try, with what went wrong: the end of the log is all that some see.
import { existsSync, readFileSync } from 'node:fs';

const [, , file] = process.argv;
const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
for (const spec of existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).suites.flatMap(specs) : []) {
    for (const { status, results } of spec.tests.filter((one) => one.status === 'unexpected' || one.status === 'flaky')) {
        const wrong = results.flatMap(({ errors }) => errors ?? []).map(({ message = '' }) => message.replace(/\u001b\[[0-9;]*m/g, '').split('\n').filter((line) => line.trim() !== '').slice(0, 4).join(' | '));
        console.log(`${status === 'flaky' ? 'again  ' : 'FAILED '} ${spec.file}:${spec.line} ${spec.title}: ${wrong[0] ?? 'no reason given'}`);
    }
}
