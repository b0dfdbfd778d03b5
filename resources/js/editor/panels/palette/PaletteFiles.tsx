import { useState } from 'react';
import { save } from '../../../files/save';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';
import { coloursIn, coloursOfPixels, named } from '../../model/palette/tokens';

/** Colours that come in at once. */
const MOST = 64;

/** The palette taken home, as design tokens or as a strip of one pixel a colour, and one brought in. */
export function PaletteFiles() {
    const { page, change } = useSheet();
    const [said, say] = useState<string | null>(null);
    const { palette } = page.plan;
    const isEmpty = Object.keys(palette).length === 0;

    async function bring(file: File): Promise<void> {
        try {
            const colours = file.type.startsWith('image/') ? named(await pixelsOf(file), palette) : coloursIn(await file.text());
            const operations = Object.entries(colours)
                .slice(0, MOST)
                .filter(([name, hex]) => palette[name] !== hex)
                .map(([name, value]) => ({ op: 'colour' as const, name, value }));
            const refused = operations.length === 0 ? null : await change(operations);
            say(refused === null ? (operations.length === 0 ? 'All of these colours are there already.' : null) : problemText(refused));
        } catch (fault) {
            say(
                fault instanceof SyntaxError && fault.message.startsWith('Expected')
                    ? fault.message
                    : 'Expected design tokens (JSON), or a PNG with a pixel for each colour.',
            );
        }
    }

    async function keep(form: 'tokens' | 'strip'): Promise<void> {
        try {
            await save(`/api/sheets/${page.id}/file?format=${form}`, form);
        } catch (fault) {
            say(fault instanceof Error ? fault.message : 'The palette could not be saved.');
        }
    }

    return (
        <div className="flex flex-col gap-1 text-[12.5px]">
            <div className="flex flex-wrap gap-x-3 gap-y-1 font-medium text-umber">
                <label className="cursor-pointer hover:underline has-focus-visible:outline-2 has-focus-visible:outline-ink">
                    Bring in
                    <input
                        type="file"
                        className="sr-only"
                        aria-label="Bring in a palette"
                        accept=".json,application/json,image/png"
                        onChange={(event) => {
                            const file = event.target.files?.[0];
                            event.target.value = '';
                            if (file !== undefined) void bring(file);
                        }}
                    />
                </label>
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={isEmpty}
                    onClick={() => void keep('tokens')}
                >
                    As tokens
                </button>
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={isEmpty}
                    onClick={() => void keep('strip')}
                >
                    As a strip
                </button>
            </div>
            {said !== null && (
                <p role="status" className="leading-snug text-slate">
                    {said}
                </p>
            )}
        </div>
    );
}

async function pixelsOf(file: File): Promise<string[]> {
    const bitmap = await createImageBitmap(file, { colorSpaceConversion: 'none' });
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext('2d');
    context?.drawImage(bitmap, 0, 0);
    return coloursOfPixels(context?.getImageData(0, 0, bitmap.width, bitmap.height).data ?? [], MOST);
}
