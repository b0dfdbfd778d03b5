import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Kind } from '../../../api/client';
import { found } from '../../model/verbs/found';
import { type Saying, sayings } from '../../model/verbs/verbs';

/** What people call it, in any usual word, and the verb of ours that does it. */
/** How well a verb does that what is picked is not enough for: what is also called so, and fits, comes before what is called so. */
const UNFIT = 0.88;

export function SayIt({ kinds, open, onOpen, fits, onSay, onKeys }: { kinds: Kind[]; open: boolean; onOpen: (open: boolean) => void; fits: (name: string) => boolean; onSay: (saying: Saying) => void; onKeys: () => void }) {
    const [typed, setTyped] = useState('');
    const all = sayings(kinds);
    const word = typed.trim().toLowerCase();

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setTyped('');
                onOpen(next);
            }}
        >
            <Popover.Trigger className="flex w-40 items-center justify-between rounded border border-rule bg-card py-1 pr-1.5 pl-2.5 text-left leading-none text-slate hover:border-amber">
                Say it <kbd className="rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">/</kbd>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu w-80 p-0" side="top" align="end" sideOffset={8}>
                    <Command label="Say it" loop filter={(value, search, words) => found(value, search, words ?? []) * (fits(value) ? 1 : UNFIT)}>
                        <Command.Input className="w-full border-b border-hairline bg-transparent px-3 py-2.5 text-[15px] outline-none placeholder:text-slate" placeholder="union, rotate, duplicate …" value={typed} onValueChange={setTyped} />
                        <Command.List className="max-h-72 overflow-auto p-1.5">
                            <Command.Empty className="px-2 py-3 text-slate">No verb is called so. Try another word.</Command.Empty>
                            {all.map((saying) => {
                                const said = saying.words.find((one) => word !== '' && one.toLowerCase().includes(word));
                                return (
                                    <Command.Item key={saying.name} value={saying.name} keywords={[saying.label, ...saying.words]} className="menu-item data-[selected=true]:bg-honey" onSelect={() => onSay(saying)}>
                                        <span>
                                            <span className="font-medium">{saying.label.replace('…', '')}</span>
                                            {said !== undefined && <span className="ml-2 text-[12.5px] text-slate">{said}</span>}
                                        </span>
                                        <span className="text-[12.5px] text-slate">{fits(saying.name) ? saying.family : needs(saying)}</span>
                                    </Command.Item>
                                );
                            })}
                        </Command.List>
                    </Command>
                    <button className="flex w-full items-center justify-between border-t border-hairline px-3 py-2 text-[12.5px] text-slate hover:text-ink" onClick={onKeys}>
                        All keys <kbd className="rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">?</kbd>
                    </button>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** What has to be picked for it. */
function needs({ from, least }: Saying): string {
    return from === 'ground' ? 'with nothing picked' : `pick ${least > 1 ? `${least} ` : ''}${from === 'guides' ? 'lines' : from}`;
}
