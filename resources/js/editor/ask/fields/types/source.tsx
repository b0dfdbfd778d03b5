import { useState } from 'react';
import { bringPicture } from '../../../../files/bringPicture';
import type { Asked } from '../asked';
import { type Edited, Wrong } from '../edited';

/** A file that becomes a picture here, how far it has come, and what was wrong with it. */
function Brought({ label, text, onBrought }: { label: string; text: string; onBrought: (source: string) => void }) {
    const [share, setShare] = useState<number | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    return (
        <>
            <label className="cursor-pointer border-b-[1.5px] border-amber italic hover:bg-honey has-focus-visible:outline-2 has-focus-visible:outline-ink">
                {share === null ? text : `${Math.round(share * 100)} %`}
                <input
                    type="file"
                    accept="image/png,image/jpeg,image/webp"
                    className="sr-only"
                    aria-label={label}
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        event.target.value = '';
                        if (file === undefined) return;
                        setProblem(null);
                        void bringPicture(file, setShare)
                            .then(
                                (picture) => onBrought(picture.source),
                                (fault: unknown) =>
                                    setProblem(fault instanceof Error ? fault.message : 'The picture could not be brought in.'),
                            )
                            .finally(() => setShare(null));
                    }}
                />
            </label>
            {problem !== null && (
                <span role="alert" className="block text-[13px] text-brick">
                    {problem}
                </span>
            )}
        </>
    );
}

export function Edit({ label, piece, wrong, commit }: Edited) {
    return (
        <>
            <Brought label={label} text={piece.text} onBrought={(source) => void commit(source)} />
            <Wrong text={wrong} />
        </>
    );
}

/** From disk; it can be dropped on the sheet as well, or pasted there. */
export function Ask({ field, value, onChange }: Asked) {
    return (
        <span className="flex items-baseline gap-2 text-[13px]">
            <Brought label={field.label} text={typeof value === 'string' ? 'another file' : 'choose a file'} onBrought={onChange} />
            <span className="text-slate">
                {typeof value === 'string' ? 'brought in' : 'PNG, JPEG or WebP; it can be dropped on the sheet, or pasted, too'}
            </span>
        </span>
    );
}
