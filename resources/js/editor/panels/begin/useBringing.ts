import { type ClipboardEvent, type DragEvent, useState } from 'react';
import { isDrawing } from '../../../files/bringDrawing';
import { bringPicture } from '../../../files/bringPicture';
import { layPicture, sourceOf } from '../../model/begin/layPicture';
import { problemText } from '../../model/problem';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';

/**
 * Pictures that are dropped on the sheet, or pasted: each is laid under the construction as wide as the sheet. Of drawings is asked what
 * they become.
 */
export function useBringing() {
    const { kinds, page, change } = useSheet();
    const { select } = usePicks();
    const [said, say] = useState<string | null>(null);
    const [drawing, setDrawing] = useState<File | null>(null);

    async function bring(file: File): Promise<void> {
        try {
            const picture = await bringPicture(file, (share) => say(`Bringing in the picture: ${Math.round(share * 100)} %`));
            const refused = await change(layPicture({ page, kinds }, { [sourceOf(kinds).field]: picture.source }));
            say(refused === null ? null : problemText(refused));
            if (refused === null) select(null);
        } catch (fault) {
            say(fault instanceof Error ? fault.message : 'The picture could not be brought in.');
        }
    }

    function from(files: FileList | undefined): boolean {
        const file = [...(files ?? [])].find((one) => one.type.startsWith('image/') || isDrawing(one));
        if (file === undefined) return false;
        if (isDrawing(file)) setDrawing(file);
        else void bring(file);
        return true;
    }

    return {
        bring,
        said,
        /** An SVG file that was dropped, and asks what it is to become. */
        drawing,
        putAway: () => setDrawing(null),
        onDragOver: (event: DragEvent) => event.dataTransfer.types.includes('Files') && event.preventDefault(),
        onDrop: (event: DragEvent) => {
            if (from(event.dataTransfer.files)) event.preventDefault();
        },
        onPaste: (event: ClipboardEvent) => {
            if (from(event.clipboardData.files)) event.preventDefault();
        },
    };
}
