// The same operations on the same paths with true curves by PathKit: milliseconds, best of three, and the verbs of the outcome.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const folder = require.resolve('pathkit-wasm/bin/pathkit.js').replace(/pathkit\.js$/, '');
// Its loader would fetch the file by its name.
const PathKit = await require('pathkit-wasm/bin/pathkit.js')({ wasmBinary: readFileSync(`${folder}pathkit.wasm`) });
const given = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const OPS = { join: PathKit.PathOp.UNION, cut: PathKit.PathOp.DIFFERENCE, common: PathKit.PathOp.INTERSECT };
const results = {};
for (const [name, { paths, operations }] of Object.entries(given)) {
    for (const operation of operations) {
        let best = Infinity;
        let nodes = 0;
        for (let run = 0; run < 3; run++) {
            const shapes = paths.map((path) => PathKit.FromSVGString(path));
            const start = performance.now();
            let outcome;
            if (shapes.length === 2) {
                outcome = shapes[0];
                outcome.op(shapes[1], OPS[operation]);
            } else {
                const builder = new PathKit.SkOpBuilder();
                for (const shape of shapes) builder.add(shape, OPS[operation]);
                outcome = builder.resolve();
            }
            best = Math.min(best, performance.now() - start);
            nodes = outcome.toCmds().filter((one) => one[0] !== PathKit.MOVE_VERB && one[0] !== PathKit.CLOSE_VERB).length;
        }
        results[`${operation} of ${name}`] = { best, nodes };
    }
}
console.log(JSON.stringify(results));
