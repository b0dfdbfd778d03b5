import { DropdownMenu } from 'radix-ui';
import { type ReactNode, useRef, useState } from 'react';
import { useBringing } from './useBringing';
import { later } from '../../../ui/later';

const BringDrawing = later(() => import('./BringDrawing').then(({ BringDrawing }) => BringDrawing));
const ScanSketch = later(() => import('../scan/ScanSketch').then(({ ScanSketch }) => ScanSketch));

/** What is not made here, but brought: a picture from disk, a drawing from another program, a pencil sketch from the scanner. */
export function Bring({ onDone, side, trigger }: { onDone: () => void; side: 'top' | 'bottom'; trigger: ReactNode }) {
    const { bring, said } = useBringing();
    const [open, setOpen] = useState<'drawing' | 'sketch' | null>(null);
    const file = useRef<HTMLInputElement>(null);

    return (
        <>
            {said !== null && (
                <span role="status" className="min-w-0 truncate" title={said}>
                    {said}
                </span>
            )}
            <DropdownMenu.Root>
                <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content className="menu" align="start" side={side}>
                        <DropdownMenu.Item className="menu-item" onSelect={() => file.current?.click()}>
                            A picture <span className="text-[11.5px] text-slate">PNG, JPEG, WebP</span>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className="menu-item" onSelect={() => setOpen('drawing')}>
                            A drawing <span className="text-[11.5px] text-slate">SVG</span>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className="menu-item" onSelect={() => setOpen('sketch')}>
                            A sketch <span className="text-[11.5px] text-slate">from the scanner</span>
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
            <input
                ref={file}
                type="file"
                accept="image/png,image/jpeg,image/webp"
                className="hidden"
                onChange={(event) => {
                    const chosen = event.target.files?.[0];
                    event.target.value = '';
                    if (chosen !== undefined) void bring(chosen).then(onDone);
                }}
            />
            <BringDrawing open={open === 'drawing'} onOpen={(next) => !next && setOpen(null)} onClosed={onDone} />
            <ScanSketch open={open === 'sketch'} onOpen={(next) => !next && setOpen(null)} onClosed={onDone} />
        </>
    );
}
