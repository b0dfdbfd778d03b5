import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import type { Schemas } from '../../../api/client';
import { layPicture } from '../../model/begin/layPicture';
import { Progress } from '../../../ui/Progress';
import { problemText } from '../../model/problem';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useScanner } from './useScanner';

/** Dots per inch that are enough to trace. */
const ENOUGH = 200;

/** What it has to say before it is asked to scan. */
const FAULTS: Partial<Record<Schemas['Scanner']['state'], string>> = {
    cover_open: 'The cover is open.',
    jammed: 'A sheet is jammed in the feed.',
};

/** A sheet of paper from the scanner's tray: read under the lamp, straightened, laid under the construction. */
export function ScanSketch({ open, onOpen, onClosed }: { open: boolean; onOpen: (open: boolean) => void; onClosed: () => void }) {
    const { kinds, page, change } = useSheet();
    const { select } = usePicks();
    const { scanner, scan, isScanning, problem, begin, stop, touch, touched, lookAgain } = useScanner(open);
    const [chosen, setChosen] = useState<string | null>(null);
    const [resolution, setResolution] = useState(ENOUGH);
    const [straighten, setStraighten] = useState(true);
    const [refused, setRefused] = useState<string | null>(null);
    const sheet = chosen ?? scanner?.tray[0]?.page ?? null;
    const share = scan === null || scan.of === 0 ? 0 : scan.lines / scan.of;
    const state = isScanning ? 'scanning' : scanner?.state;

    async function submit(event: FormEvent): Promise<void> {
        event.preventDefault();
        if (sheet === null || isScanning) return;
        setRefused(null);
        const kept = await begin({ page: sheet, resolution, straighten, within: [page.scene.sheet.width, page.scene.sheet.height] }).catch(
            () => null,
        );
        if (kept === null) return;
        const told = await change(layPicture({ page, kinds }, kept.step));
        if (told !== null) {
            setRefused(problemText(told));
            return;
        }
        select(null);
        if (straighten && !kept.straight)
            setRefused('It is laid as it was scanned: the edge of the paper was not found. Its corners can be clicked in its sentence.');
        else onOpen(false);
    }

    const said = refused ?? problem?.message ?? FAULTS[scanner?.state ?? 'ready'] ?? null;
    return (
        <Dialog.Root open={open} onOpenChange={onOpen}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} onCloseAutoFocus={(event) => { event.preventDefault(); onClosed(); }} className="appear fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[640px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col overflow-auto rounded-lg bg-paper p-7 shadow-2xl">
                    <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Scan a sketch</Dialog.Title>
                    <form className="mt-6 flex min-h-0 flex-col gap-6" onSubmit={(event) => void submit(event)}>
                        {scanner !== undefined && (
                            <>
                                <fieldset disabled={isScanning}>
                                    <legend className="mb-2.5 font-medium">In the tray</legend>
                                    <div className="-mx-3 grid grid-cols-4 items-end gap-4 rounded-md bg-ground px-4 pt-4 pb-3">
                                        {scanner.tray.map((one) => (
                                            <TraySheet
                                                key={one.page}
                                                sheet={one}
                                                isChosen={one.page === sheet}
                                                share={isScanning && one.page === sheet ? share : null}
                                                onChoose={() => setChosen(one.page)}
                                            />
                                        ))}
                                    </div>
                                </fieldset>
                                <div className="flex items-center gap-6">
                                    <label className="flex items-center gap-2.5">
                                        Dots per inch
                                        <select
                                            className="boxed px-2"
                                            disabled={isScanning}
                                            value={resolution}
                                            onChange={(event) => setResolution(Number(event.target.value))}
                                        >
                                            {scanner.resolutions.map((one) => (
                                                <option key={one}>{one}</option>
                                            ))}
                                        </select>
                                    </label>
                                    <label className="flex items-center gap-2.5">
                                        <input
                                            type="checkbox"
                                            className="size-4 accent-ink"
                                            disabled={isScanning}
                                            checked={straighten}
                                            onChange={(event) => setStraighten(event.target.checked)}
                                        />
                                        Straightened, its light evened
                                    </label>
                                </div>
                            </>
                        )}
                        {scanner === undefined && problem === null && <p className="text-slate">Looking for the scanner</p>}
                        {said !== null && !isScanning && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 text-brick">
                                {said}
                            </p>
                        )}
                        <div className="flex items-center gap-2">
                            {isScanning ? (
                                <p role="status" className="flex flex-1 items-center gap-3 text-slate">
                                    <Progress label="How far the sheet is" max={1} value={share} />
                                    <span className="tabular-nums">{share === 1 ? 'Bringing it in' : `${Math.round(share * 100)} %`}</span>
                                </p>
                            ) : (
                                <span className="flex-1" />
                            )}
                            {state === 'cover_open' && (
                                <button type="button" className="quiet" onClick={() => touch({ open: false })}>
                                    Close the cover
                                </button>
                            )}
                            {state === 'jammed' && (
                                <button type="button" className="quiet" onClick={() => touch({ jam: false })}>
                                    Take the sheet out
                                </button>
                            )}
                            {scanner === undefined && problem !== null && (
                                <button type="button" className="quiet" onClick={lookAgain}>
                                    Look again
                                </button>
                            )}
                            {isScanning ? (
                                <button type="button" className="quiet" onClick={stop}>
                                    Stop
                                </button>
                            ) : (
                                <Dialog.Close className="quiet" type="button">
                                    Leave
                                </Dialog.Close>
                            )}
                            <button className="solid" disabled={isScanning || scanner === undefined}>
                                {isScanning ? 'Scanning' : 'Scan it'}
                            </button>
                        </div>
                        {scanner !== undefined && (
                            <fieldset className="-mx-7 -mb-7 flex flex-wrap items-center gap-x-6 gap-y-1 rounded-b-lg border-t border-hairline bg-ground px-7 py-4 text-[13px] text-slate">
                                <legend className="sr-only">At the scanner</legend>
                                <span>The scanner is simulated. By hand, at it:</span>
                                <label className="flex items-center gap-2">
                                    <input
                                        type="checkbox"
                                        className="size-3.5 accent-ink"
                                        checked={touched.open ?? scanner.cover === 'open'}
                                        onChange={(event) => touch({ open: event.target.checked })}
                                    />
                                    cover open
                                </label>
                                <label className="flex items-center gap-2">
                                    <input
                                        type="checkbox"
                                        className="size-3.5 accent-ink"
                                        checked={touched.jam ?? scanner.feed !== 'clear'}
                                        onChange={(event) => touch({ jam: event.target.checked })}
                                    />
                                    {scanner.feed === 'jammed' ? 'a sheet is jammed' : 'the next sheet jams'}
                                </label>
                            </fieldset>
                        )}
                    </form>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

/** @param share how far it is under the lamp; null while it lies in the tray */
function TraySheet({
    sheet,
    isChosen,
    share,
    onChoose,
}: {
    sheet: Schemas['Scanner']['tray'][number];
    isChosen: boolean;
    share: number | null;
    onChoose: () => void;
}) {
    return (
        <label className={`flex flex-col gap-1.5 ${share === null ? 'cursor-pointer' : ''}`}>
            <input type="radio" name="sheet" className="peer sr-only" checked={isChosen} onChange={onChoose} />
            <span className="relative block overflow-hidden rounded-[3px] shadow outline-offset-2 peer-checked:ring-2 peer-checked:ring-amber peer-focus-visible:outline-2 peer-focus-visible:outline-ink">
                <img
                    alt=""
                    className="block w-full"
                    style={{ aspectRatio: sheet.width / sheet.height }}
                    src={`/api/scanner/pages/${sheet.page}`}
                />
                {share !== null && (
                    <span
                        className="absolute inset-x-0 h-[3px] bg-amber shadow-[0_0_14px_5px] shadow-amber/60"
                        style={{ top: `${share * 100}%` }}
                    />
                )}
            </span>
            <span className={`text-[13px] leading-tight ${isChosen ? 'font-medium' : 'text-slate'}`}>{sheet.title}</span>
            <span className="-mt-1 text-[12px] text-slate tabular-nums">
                {sheet.width} × {sheet.height} mm
            </span>
        </label>
    );
}
