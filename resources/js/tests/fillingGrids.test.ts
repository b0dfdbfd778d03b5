import './browser';
import { describe, expect, it } from 'vitest';
import type { Scene, Schemas, SheetPage, Step } from '../api/client';
import { Picking } from '../editor/model/pick/Picking';
import { Answers } from '../editor/model/scene/answers';
import { gridShape } from '../editor/model/scene/geometry';
import { verbsFor } from '../editor/model/verbs/verbs';
import { asked, EVALUATED, plan } from './core';
import { describedKinds } from './kinds';

const kinds = describedKinds();

/** The verb of a grid on an empty sheet, and what becomes of one answer after another. */
function grid(label: string, width = 800, height = 800) {
    const sheet = { width, height };
    const picking = new Picking();
    const scene = { steps: [] as Step[], sheet } as unknown as Scene;
    const page = { plan: { palette: {}, steps: [] } } as unknown as SheetPage;
    const verb = verbsFor({ page, scene, kinds, picking, pick: picking.get(), selected: null, colour: null }).find(
        (one) => one.label === label,
    );
    if (verb === undefined) throw new Error(label);
    return {
        verb,
        answered: (...given: Record<string, unknown>[]) =>
            given.reduce<Record<string, unknown>>(
                (before, one) => ({ ...before, ...one, ...verb.follow?.(before, { ...before, ...one }) }),
                verb.start,
            ),
        /** The box and the number of cells that the core makes of it. */
        laid: (answers: Record<string, unknown>) => {
            const [operation] = verb.operations(answers);
            const step = operation?.op === 'add' ? { id: 'g1', ...operation.step } : {};
            const code = `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`;
            const told = new Answers().scene(
                asked<Schemas['Scene']>(code, { plan: plan([step], { sheet: { ...sheet, unit: 'px', background: null } }) }),
                'page',
            );
            const shape = gridShape(told.steps[0]?.geometry);
            return {
                step,
                findings: told.findings.length,
                cells: shape?.count,
                box: shape?.bounds().map((one) => Math.round(one * 1000) / 1000),
            };
        },
    };
}

describe('a grid on an empty sheet', () => {
    it('asks for count, cell and margin in one line, and says of the cell what there is', () => {
        expect(grid('Rectangular grid').verb.asks).toEqual(['columns', 'rows', 'cell', 'margin', 'subdivisions', 'show']);
        expect(grid('Rectangular grid').verb.start).toMatchObject({ columns: 8, rows: 8, cell: 80, margin: 80 });
        expect(grid('Rectangular grid', 1200, 800).verb.start['cell']).toBeNull();
        expect(grid('Isometric grid').verb.asks).toEqual(['columns', 'rows', 'side', 'margin', 'show']);
    });

    it('has as many cells of a size as there is room for, in the middle of the sheet', () => {
        const { answered, laid } = grid('Rectangular grid', 1000, 700);
        const answers = answered({ cell: 60 });
        // 860 by 560 between margins of a tenth of the shorter side.
        expect(answers).toMatchObject({ columns: 14, rows: 9 });
        expect(laid(answers)).toMatchObject({ findings: 0, cells: 14 * 9, box: [80, 80, 920, 620] });
        expect(laid(answered({ cell: 60 }, { margin: 0 }))).toMatchObject({ cells: 16 * 11, box: [20, 20, 980, 680] });
        expect(laid(answered({ margin: 20 }, { cell: 60 }))).toMatchObject({ cells: 16 * 11 });
    });

    it('fills what the margin leaves where its count is said; what was said of the cell stays so', () => {
        const { answered, laid } = grid('Rectangular grid');
        expect(laid(answered({ margin: 40 }))).toMatchObject({
            findings: 0,
            cells: 64,
            box: [40, 40, 760, 760],
            step: { origin: [40, 40], size: ['sheet.width-2*(40)', 'sheet.height-2*(40)'] },
        });
        expect(laid(answered({ margin: 0 }, { columns: 10 }, { rows: 10 }))).toMatchObject({ cells: 100, box: [0, 0, 800, 800] });
        const answers = answered({ cell: 50 }, { columns: 10 });
        expect(answers).toMatchObject({ cell: 50, columns: 10, rows: 12 });
        expect(laid(answers)).toMatchObject({ cells: 120, box: [150, 100, 650, 700] });
        expect(answered({ columns: 24 }, { rows: 20 }, { cell: 20 })).toMatchObject({ columns: 24, rows: 20, cell: 20 });
        expect(laid(answered({ columns: 12 }))).toMatchObject({ cells: 96, box: [80, 80, 720, 720] });
    });

    it.each([
        ['Triangular grid', 'columns', 'rows', 1, Math.sqrt(3) / 2],
        ['Isometric grid', 'rows', 'columns', Math.sqrt(3) / 2, 1],
    ] as const)('of triangles fills the sheet as well: %s', (label, across, down, wide, high) => {
        const { answered, laid } = grid(label);
        const bySide = answered({ side: 50 }, { margin: 0 });
        expect(bySide).toMatchObject({ [across]: Math.floor(800 / (50 * wide) + 1e-9), [down]: Math.floor(800 / (50 * high) + 1e-9) });
        const { box = [], findings } = laid(bySide);
        expect(findings).toBe(0);
        expect([(box[0] ?? 0) + (box[2] ?? 0), (box[1] ?? 0) + (box[3] ?? 0)].map(Math.round)).toEqual([800, 800]);
        expect(Math.max((box[2] ?? 0) - (box[0] ?? 0), (box[3] ?? 0) - (box[1] ?? 0))).toBeLessThanOrEqual(800.001);
        const byCount = answered({ margin: 0 }, { [across]: 20 });
        expect(byCount['side']).toBeCloseTo(Math.min(800 / (20 * wide), 800 / (Number(byCount[down]) * high)), 5);
    });

    it('of pixels has them as large as whole ones can be', () => {
        const { answered, laid, verb } = grid('Pixel grid', 800, 640);
        expect(verb.start).toMatchObject({ columns: 40, rows: 32, cell: 20 });
        expect(laid(answered({ columns: 15 }, { rows: 14 }))).toMatchObject({
            findings: 0,
            step: { columns: 15, rows: 14, cell: 45, origin: [0, 0] },
        });
        expect(answered({ cell: 7 })).toMatchObject({ columns: 114, rows: 91 });
        expect(laid(verb.start)).toMatchObject({ step: { columns: 40, rows: 32, cell: 20 } });
    });

    it('of rings has as many of a width as there is room for, and reaches to the margin', () => {
        const { answered, laid, verb } = grid('Polar grid', 1000, 800);
        expect(verb.start).toMatchObject({ rings: 5, ring: 64, margin: 80 });
        // A spoke lies level to either side.
        const across = ({ box = [], ...rest }: ReturnType<typeof laid>): Record<string, unknown> => ({ ...rest, across: [box[0], box[2]] });
        expect(across(laid(verb.start))).toMatchObject({ findings: 0, across: [180, 820] });
        expect(across(laid(answered({ margin: 0 })))).toMatchObject({
            across: [100, 900],
            step: { radius: 'min(sheet.width, sheet.height)/2-(0)' },
        });
        const answers = answered({ ring: 50 });
        expect(answers).toMatchObject({ rings: 6 });
        expect(across(laid(answers))).toMatchObject({ findings: 0, across: [200, 800], step: { radius: '6*(50)' } });
        expect(across(laid(answered({ ring: 50 }, { rings: 2 })))).toMatchObject({ across: [400, 600] });
        expect(answered({ rings: 8 })).toMatchObject({ ring: 40 });
    });

    it('along two axes lies in the middle of the sheet, within the margin', () => {
        const { answered, laid, verb } = grid('Two-axis grid', 1000, 800);
        expect(laid(verb.start)).toMatchObject({
            findings: 0,
            step: { columns: 8, rows: 8, spacing: ['min(sheet.width, sheet.height)/16', 'min(sheet.width, sheet.height)/16'] },
        });
        const { box = [] } = laid(answered({ margin: 60 }));
        expect([box[0], box[2]]).toEqual([60, 940]);
        expect((box[1] ?? 0) + (box[3] ?? 0)).toBeCloseTo(800, 2);
        const bySize = answered({ edge: 40 }, { margin: 0 });
        // 1000 by cos 30° and 800 by a half are 28.9 and 40 edges: fourteen each way.
        expect(bySize).toMatchObject({ columns: 14, rows: 14 });
        const fit = laid(bySize).box ?? [];
        expect((fit[0] ?? 0) + (fit[2] ?? 0)).toBeCloseTo(1000, 2);
        expect((fit[3] ?? 0) - (fit[1] ?? 0)).toBeCloseTo(14 * 40, 2);
        expect(answered({ edge: 40 }, { columns: 4 }, { margin: 0 })).toMatchObject({ columns: 4, rows: 24 });
    });

    it('on edge has its crossings on the corners and in the middles of a square grid of as many', () => {
        const { answered, laid, verb } = grid('Diagonal grid');
        expect(verb.start).toMatchObject({ margin: 80, columns: 8 });
        expect(verb.start['edge']).toBeCloseTo(40 * Math.SQRT2, 5);
        expect(laid(verb.start)).toMatchObject({ findings: 0, cells: 64, box: [80, 80, 720, 720] });
        expect(laid(answered({ margin: 0 }, { columns: 10 }, { rows: 10 }))).toMatchObject({ cells: 100, box: [0, 0, 800, 800] });
        expect(laid(answered({ columns: 4 }))).toMatchObject({ findings: 0, cells: 32 });
    });

    it('of golden sections leaves the margin that is said', () => {
        const { answered, laid, verb } = grid('Golden grid', 1000, 800);
        expect(verb.asks).toContain('margin');
        expect(laid(verb.start)).toMatchObject({ box: [0, 0, 1000, 800] });
        expect(laid(answered({ margin: 40 }))).toMatchObject({ findings: 0, box: [40, 40, 960, 760], step: { origin: [40, 40] } });
    });

    it('keeps to what is said where it is turned', () => {
        const { answered } = grid('Triangular grid');
        expect(answered({ angle: 10 }, { side: 20 })).toMatchObject({ columns: 8, rows: 9, side: 20 });
    });

    it('asks nothing of a length that is not finished', () => {
        const { answered, laid } = grid('Rectangular grid');
        expect(answered({ cell: 'sheet.width/' })).toMatchObject({ columns: 8, rows: 8 });
        expect(laid(answered({ cell: 'sheet.width/20' }))).toMatchObject({ findings: 0, cells: 64, box: [240, 240, 560, 560] });
        expect(laid(answered({ cell: null }))).toMatchObject({ cells: 64, box: [80, 80, 720, 720] });
    });
});
