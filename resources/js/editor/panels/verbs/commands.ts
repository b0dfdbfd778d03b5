import type { Operation } from '../../../api/client';
import { movedBy } from '../../model/handles';
import { gridShape } from '../../model/scene/geometry';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { type Command, command } from './command';
import { usePickCommands } from './usePickCommands';

/** Properties of the sheet that are turned to by words of their own. */
const NAMED = ['width', 'height', 'background'];

/** All that can be said just now, what is about the pick first. */
export function useCommands(onKeys: () => void): Command[] {
    const { page, scene, properties, change, move } = useSheet();
    const view = useView();
    const { ids, commands } = usePickCommands();
    const hidden = scene.steps.filter((step) => step.hidden).map(({ id }) => id);
    const grid =
        scene.steps.findLast((step) => step.id === ids[0] && gridShape(step.geometry) !== undefined) ??
        scene.steps.findLast((step) => step.role === 'grid' && !step.hidden);

    return [
        ...commands,
        ...(hidden.length > 0
            ? [
                  command('show-all', 'the sheet', 'Show all', 'unhide, reveal, bring back, make visible', () =>
                      change(hidden.map((id): Operation => ({ op: 'set', id, field: 'hidden', value: null }))),
                  ),
              ]
            : []),
        ...page.scene.findings.flatMap((finding, number) =>
            finding.remedy === null
                ? []
                : [
                      command(`remedy ${number}`, 'findings', finding.remedy.label, `${finding.message}, mend, fix, repair`, () =>
                          change(finding.remedy?.operations ?? []),
                      ),
                  ],
        ),
        command(
            'outlines',
            'the view',
            view.shownAs === 'outlines' ? 'In colour' : 'Outlines',
            'wireframe, see the lines, contour, keyline, skeleton',
            () => view.showAs(view.shownAs === 'outlines' ? 'result' : 'outlines'),
        ),
        command(
            'circles',
            'the view',
            view.shownAs === 'circles' ? 'Without its circles' : 'Circles',
            'construction, how it is built, radii, ratios',
            () => view.showAs(view.shownAs === 'circles' ? 'result' : 'circles'),
        ),
        command('grids', 'the view', view.gridsShown ? 'Grid off' : 'Grid on', 'hide the grid, show the grid, lines away, guides off', () =>
            view.showGrids(!view.gridsShown),
        ),
        command(
            'plan',
            'the view',
            view.folded.plan ? 'Unfold the plan' : 'Fold the plan',
            'fold the plan, more room, hide the panel, left column, sentences',
            () => view.fold('plan'),
        ),
        command(
            'proofs',
            'the view',
            view.folded.proofs ? 'Unfold the proofs' : 'Fold the proofs',
            'fold the proofs, more room, hide the panel, right column, palette',
            () => view.fold('proofs'),
        ),
        command('background', 'the sheet', 'Background', 'paper colour, ground, behind all, transparent, sheet colour', () =>
            turnTo(view.folded.plan, () => view.fold('plan'), /^background of the sheet/),
        ),
        command('size', 'the sheet', 'Size of the sheet', 'width, height, format, canvas, artboard, page size, resize the sheet', () =>
            turnTo(view.folded.plan, () => view.fold('plan'), /^width of the sheet/),
        ),
        ...(['plan', 'proofs'] as const).flatMap((column) =>
            (column === 'plan' ? scene.said.ground : scene.said.colours).flatMap(({ field }) => {
                const label = properties.find(({ name }) => name === field)?.label;
                if (label === undefined || NAMED.includes(label)) return [];
                const called = `${label[0]?.toUpperCase()}${label.slice(1)} of the sheet`;
                const turn = () => turnTo(view.folded[column], () => view.fold(column), new RegExp(`^${label} of the sheet`));
                return [command(`sheet ${label}`, 'the sheet', called, `change the ${label}`, turn)];
            }),
        ),
        ...(grid === undefined
            ? []
            : [
                  command(
                      'crop',
                      'the sheet',
                      'Crop the sheet to the grid',
                      'as large as the grid, trim, fit the page, cut to size, crop',
                      () => change(cropped(page.plan.steps.find(({ id }) => id === grid.id) ?? {}, gridShape(grid.geometry)?.bounds())),
                  ),
              ]),
        command('undo', 'the sheet', 'Undo', 'back, take back, revert, step back', () => move('undo')),
        command('redo', 'the sheet', 'Redo', 'forth, again after undo', () => move('redo')),
        command('keys', 'help', 'All keys', 'shortcuts, keyboard, help', onKeys),
    ];
}

/** The sheet as large as a grid, which lies in its corner then; what is built on it goes along. */
function cropped(step: Record<string, unknown>, bounds: readonly number[] | undefined): Operation[] {
    const [left = 0, top = 0, right = 0, bottom = 0] = bounds ?? [];
    const field = ['origin', 'center'].find((name) => step[name] !== undefined);
    const value = field === undefined ? undefined : movedBy(step[field], [-left, -top], 1e4);
    return [
        ...(field === undefined || (Math.abs(left) < 1e-9 && Math.abs(top) < 1e-9)
            ? []
            : [{ op: 'set' as const, id: String(step['id']), field, value }]),
        { op: 'sheet', field: 'width', value: Number((right - left).toFixed(4)) },
        { op: 'sheet', field: 'height', value: Number((bottom - top).toFixed(4)) },
    ];
}

/** Puts the focus on what is called so, in a column that is unfolded first. */
function turnTo(isFolded: boolean, unfold: () => void, label: RegExp): void {
    if (isFolded) unfold();
    requestAnimationFrame(() => {
        const all = document.querySelectorAll<HTMLElement>('[aria-label]');
        [...all].find((one) => label.test(one.getAttribute('aria-label') ?? ''))?.focus();
    });
}
