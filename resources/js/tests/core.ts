import { execFileSync } from 'node:child_process';

/** What PHP code that has the core at hand writes out, with a value given as `$given`. */
export function asked<T>(code: string, given: unknown = null): T {
    const say = `require "vendor/autoload.php"; $given = json_decode(stream_get_contents(STDIN), true); echo json_encode((static function () use ($given) { ${code} })());`;
    return JSON.parse(execFileSync('php', ['-r', say], { encoding: 'utf8', maxBuffer: 1 << 27, input: JSON.stringify(given) })) as T;
}

/** PHP: `$scene` of the plan in `$given`. */
export const EVALUATED = `
    $kinds = Sternbild\\Core\\Plan\\Kind\\Kinds::all();
    $plan = (new Sternbild\\Core\\Plan\\Reading\\PlanReader($kinds))->fromArray($given["plan"]);
    $scene = (new Sternbild\\Core\\Evaluation\\Evaluator(new Sternbild\\Core\\Result\\ShortMemory))->evaluate($plan);
`;

export function plan(steps: Record<string, unknown>[], more: Record<string, unknown> = {}): Record<string, unknown> {
    return {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        ...more,
        steps,
    };
}
