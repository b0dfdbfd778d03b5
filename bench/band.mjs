// The same bands with true curves by PathKit's stroke, tidied by its simplify: milliseconds, best of three, and the verbs of the outcome.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const folder = require.resolve('pathkit-wasm/bin/pathkit.js').replace(/pathkit\.js$/, '');
const PathKit = await require('pathkit-wasm/bin/pathkit.js')({ wasmBinary: readFileSync(`${folder}pathkit.wasm`) });
const { paths, width } = JSON.parse(readFileSync(process.argv[2], 'utf8'));
let best = Infinity;
let nodes = 0;
for (let run = 0; run < 3; run++) {
    const shapes = paths.map((path) => PathKit.FromSVGString(path));
    const start = performance.now();
    for (const shape of shapes) shape.stroke({ width, join: PathKit.StrokeJoin.MITER, cap: PathKit.StrokeCap.BUTT, miter_limit: 4 }).simplify();
    best = Math.min(best, performance.now() - start);
    nodes = shapes.reduce((sum, shape) => sum + shape.toCmds().filter((one) => one[0] !== PathKit.MOVE_VERB && one[0] !== PathKit.CLOSE_VERB).length, 0);
}
console.log(JSON.stringify({ pathkit: { best, nodes } }));
