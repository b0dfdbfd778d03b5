import { useMutation } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { answer, api, Problem, type Scene } from '../../../api/client';
import { Making } from '../../../files/Making';
import { bundlePlan, isBundle } from '../../../files/bringDrawing';
import { save } from '../../../files/save';
import { useOrder } from '../../../files/useOrder';
import { stepOf } from '../../model/scene/steps';
import { useSheet } from '../../state/sheet';
import { perInch } from '../../model/units';
import { patternsOf } from '../proofs/useTile';
import { type SetChoice, SetOptions, setOrder } from './SetOptions';
import { type PixelChoice, paintedOf, PixelOptions, pixelOrder } from './PixelOptions';
import { type TileChoice, TileOptions, tileOrder } from './TileOptions';

const FORMATS = [
    { value: 'svg', name: 'SVG', says: 'Exact outlines with true arcs, for other programs and for cutters.' },
    { value: 'png', name: 'PNG', says: 'Pixels, with a transparent ground where the sheet has none.' },
    { value: 'pdf', name: 'PDF', says: 'One page in the sheet’s size, for print.' },
    { value: 'set', name: 'Set', says: 'Each chapter, or the whole, on a square of its own, at several sizes, in one archive.' },
    { value: 'tile', name: 'Tile', says: 'The smallest rectangle of a pattern that repeats without a seam, for printers of cloth and paper.' },
    { value: 'pixels', name: 'Pixels', says: 'Painted cells as an exact picture: one pixel for each, or a square of them.' },
    { value: 'json', name: 'Plan', says: 'The construction itself, to be brought in again later.' },
] as const;

const SHOWN = [
    ['result', 'the result alone'],
    ['grid', 'with the grid'],
    ['construction', 'its construction, with circles and radii'],
    ['exact', 'outlines as they are, for cutters and plotters'],
] as const;

/** The dialog for taking the sheet home, and for bringing a plan in. */
export function HandOver({ bring }: { bring: (plan: string) => Promise<Problem | null> }) {
    const { page, scene } = useSheet();
    const [open, setOpen] = useState(false);
    const [format, setFormat] = useState<(typeof FORMATS)[number]['value']>('svg');
    const [scale, setScale] = useState('2');
    const [shown, setShown] = useState<(typeof SHOWN)[number][0]>('result');
    const lines = { ...(shown === 'grid' ? { grid: true } : {}), ...(shown === 'construction' ? { construction: true } : {}), ...(shown === 'exact' ? { exact: true } : {}) };
    const chapters = page.scene.chapters.filter((section) => section.named);
    const [chosen, setChosen] = useState<SetChoice | null>(null);
    const set = chosen ?? { chapters: chapters.map(({ from }) => from), sizes: '16, 24, 32', svg: true, png: true, clear: '10', ground: false };
    const patterns = patternsOf(page.scene);
    const [tileChosen, setTile] = useState<TileChoice | null>(null);
    const tile = tileChosen ?? { of: patterns.at(-1)?.id ?? '', others: [], as: 'svg', width: '' };
    const painted = paintedOf(page.scene);
    const [pixelsChosen, setPixels] = useState<PixelChoice | null>(null);
    const pixels = pixelsChosen ?? { of: painted.at(-1)?.id ?? '', as: 'png', scale: '1' };
    const [brought, setBrought] = useState<string | null>(null);
    const hasPictures = scene.steps.some((step) => step.role === 'picture');
    const [packed, setPacked] = useState(true);
    const atOnce = useMutation({
        mutationFn: () => save(`/api/sheets/${page.id}/file?${new URLSearchParams({ format: format === 'json' && hasPictures && packed ? 'bundle' : format, ...(format === 'svg' && shown !== 'result' ? { [shown]: '1' } : {}) }).toString()}`, `sheet.${format}`),
        onSuccess: () => setOpen(false),
    });
    const inTurn = useOrder(() => setOpen(false));
    const error = atOnce.error ?? inTurn.error;
    const isMaking = atOnce.isPending || inTurn.isMaking;
    const begin = () => {
        atOnce.reset();
        inTurn.reset();
        if (format === 'svg' || format === 'json') return atOnce.mutate();
        const body = format === 'set' ? setOrder(set) : format === 'tile' ? tileOrder(tile) : format === 'pixels' ? pixelOrder(pixels) : { format, ...lines, ...(format === 'png' ? { scale: Number(scale) } : {}) };
        inTurn.begin(() => answer(api.POST('/api/sheets/{sheet}/exports', { params: { path: { sheet: page.id } }, body })));
    };
    const factor = Number(scale) * (96 / perInch(scene.sheet.unit));
    const sized = Number.isFinite(factor) && factor > 0 ? `${Math.round(scene.sheet.width * factor)} × ${Math.round(scene.sheet.height * factor)} pixels` : '';

    return (
        <Dialog.Root
            open={open}
            onOpenChange={(next) => {
                inTurn.giveUp();
                inTurn.reset();
                atOnce.reset();
                setBrought(null);
                setChosen(null);
                setTile(null);
                setPixels(null);
                setOpen(next);
            }}
        >
            <Dialog.Trigger className="solid">Hand over</Dialog.Trigger>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} className="appear fixed top-1/2 left-1/2 z-50 w-[540px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 rounded-lg bg-paper p-7 shadow-2xl">
                    <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Hand over</Dialog.Title>
                    <form
                        className="mt-6 flex flex-col gap-4"
                        onSubmit={(event) => {
                            event.preventDefault();
                            begin();
                        }}
                    >
                        <fieldset className="grid grid-flow-col auto-cols-fr gap-2">
                            <legend className="sr-only">Form of the file</legend>
                            {FORMATS.filter((one) => (one.value !== 'tile' || patterns.length > 0) && (one.value !== 'pixels' || painted.length > 0)).map((one) => (
                                <label key={one.value} className={`rounded border px-3 py-2.5 text-center font-medium ${format === one.value ? 'border-amber bg-honey' : 'border-rule bg-card hover:border-amber'} has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink`}>
                                    <input type="radio" className="sr-only" name="format" checked={format === one.value} onChange={() => setFormat(one.value)} />
                                    {one.name}
                                </label>
                            ))}
                        </fieldset>
                        <p className="font-serif text-[16px] leading-snug text-slate italic">{FORMATS.find((one) => one.value === format)?.says}</p>
                        {format === 'set' && <SetOptions choice={set} chapters={chapters} onChange={setChosen} />}
                        {format === 'tile' && <TileOptions sheet={page.id} revision={page.revision} unit={scene.sheet.unit} choice={tile} patterns={patterns} onChange={setTile} />}
                        {format === 'pixels' && <PixelOptions choice={pixels} painted={painted} onChange={setPixels} />}
                        <div className={format === 'set' || format === 'tile' || format === 'pixels' ? 'hidden' : 'flex min-h-9 items-center gap-6'}>
                            {format === 'png' && (
                                <label className="flex items-center gap-2">
                                    Scale
                                    <input className="boxed w-20 tabular-nums" inputMode="decimal" value={scale} onChange={(event) => setScale(event.target.value)} />
                                    <span className="text-slate tabular-nums">{sized}</span>
                                </label>
                            )}
                            {format === 'json' && hasPictures && (
                                <label className="flex items-center gap-2">
                                    <input type="checkbox" className="size-4 accent-ink" checked={packed} onChange={() => setPacked(!packed)} />
                                    With its pictures, in one zip
                                </label>
                            )}
                            {format !== 'json' && (
                                <label className="flex items-center gap-2">
                                    Show
                                    <select className="boxed" aria-label="What the file shows" value={shown} onChange={(event) => setShown(event.target.value as typeof shown)}>
                                        {SHOWN.map(([value, name]) => (
                                            <option key={value} value={value}>
                                                {name}
                                            </option>
                                        ))}
                                    </select>
                                </label>
                            )}
                        </div>
                        <Unsaid scene={scene} />
                        {error !== null && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 text-brick">
                                {error instanceof Problem ? wrong(error) : 'The file could not be made.'}
                            </p>
                        )}
                        {inTurn.order !== null && <Making order={inTurn.order} />}
                        {brought !== null && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 break-words text-brick">
                                {brought}
                            </p>
                        )}
                        <div className="flex items-center gap-2 border-t border-hairline pt-4">
                            <label className="quiet -ml-2.5 cursor-pointer text-umber has-focus-visible:outline-2 has-focus-visible:outline-ink">
                                Bring in a plan
                                <input
                                    type="file"
                                    accept=".json,application/json,.zip,application/zip"
                                    className="sr-only"
                                    onChange={(event) => {
                                        const file = event.target.files?.[0];
                                        event.target.value = '';
                                        if (file === undefined) return;
                                        void planText(file).then(bring).then((problem) => {
                                            setBrought(problem === null ? null : problem.status === 413 ? 'A plan can have at most 5 MB.' : problem.message);
                                            if (problem === null) setOpen(false);
                                        }).catch((fault: unknown) => setBrought(fault instanceof Error ? fault.message : 'The file could not be read.'));
                                    }}
                                />
                            </label>
                            <span className="flex-1" />
                            {inTurn.isMaking ? (
                                <button className="quiet" type="button" onClick={inTurn.giveUp}>
                                    Cancel
                                </button>
                            ) : (
                                <Dialog.Close className="quiet" type="button">
                                    Leave
                                </Dialog.Close>
                            )}
                            <button className="solid" disabled={isMaking}>
                                {isMaking ? 'Making it …' : 'Save the file'}
                            </button>
                        </div>
                    </form>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

/** What the file will show otherwise than the screen does. */
function Unsaid({ scene }: { scene: Scene }) {
    const bare = scene.drawing.filter((drawn) => drawn.styles.some((style) => style.bare === true)).map(({ id }) => stepOf(scene, id)?.label ?? id);
    if (bare.length === 0) return null;
    const [first = '', ...rest] = bare;
    return (
        <p role="note" className="rounded bg-honey px-3 py-2 leading-snug text-umber">
            {rest.length === 0 ? `${first.slice(0, 1).toUpperCase()}${first.slice(1)} was` : `${bare.length} parts were`} given no look yet: black in the file.
        </p>
    );
}

/** What of the answers was wrong. */
function wrong(problem: Problem): string {
    return Object.values(problem.body.errors ?? {})[0]?.[0] ?? problem.message;
}

/** The plan that a file is, or that a zip holds beside its pictures. */
async function planText(file: File): Promise<string> {
    return isBundle(file) ? JSON.stringify((await bundlePlan(file)).plan) : file.text();
}
