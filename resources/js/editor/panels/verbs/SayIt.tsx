import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Kind } from '../../../api/client';
import { found } from '../../model/verbs/found';
import { type Saying, sayings } from '../../model/verbs/sayings';
import type { Command as Spoken } from './command';

/**
 * How well a verb does that what is picked is not enough for, and what is no verb: what is also called so, and fits, comes before what is
 * called so.
 */
const UNFIT = 0.88;

interface Props {
    kinds: Kind[];
    /** What can be said beside the verbs. */
    commands: Spoken[];
    open: boolean;
    onOpen: () => void;
    /** Told whether something of the list is done. */
    onClose: (isSpoken: boolean) => void;
    fits: (name: string) => boolean;
    onSay: (saying: Saying) => void;
    onKeys: () => void;
}

const KEY = 'rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber';

/** What people call it, in any usual word, and what of ours does it: what fits the pick first. */
export function SayIt({ kinds, commands, open, onOpen, onClose, fits, onSay, onKeys }: Props) {
    const [typed, setTyped] = useState('');
    const all = useMemo(() => sayings(kinds), [kinds]);
    const inOrder = open ? [...all.filter(({ name }) => fits(name)), ...all.filter(({ name }) => !fits(name))] : [];
    const byName = useMemo(() => new Map(all.map((saying) => [saying.name, saying])), [all]);
    // What is drawn by one pull comes before what is called the same.
    const score = (name: string): number => (fits(name) ? 1 : UNFIT * (1 - pulls(byName.get(name)) / 1000));
    const word = typed.trim().toLowerCase();
    const saidSo = (words: string[]): string | undefined => words.find((one) => word !== '' && one.toLowerCase().includes(word));

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setTyped('');
                if (next) onOpen();
                else onClose(false);
            }}
        >
            <Popover.Trigger aria-label="Say it" className="flex shrink-0 items-center justify-between rounded border border-rule bg-card py-1 pr-1.5 pl-1.5 text-left leading-none text-slate hover:border-amber xl:w-24 xl:pl-2.5 2xl:w-40">
                <span className="hidden xl:inline">Say it</span> <kbd className={KEY}>/</kbd>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu w-80 p-0" side="top" align="end" sideOffset={8}>
                    <Command label="Say it" loop filter={(value, search, words) => found(value, search, words ?? []) * score(value)}>
                        <Command.Input className="w-full border-b border-hairline bg-transparent px-3 py-2.5 text-[15px] outline-none placeholder:text-slate" placeholder="union, rotate, duplicate …" value={typed} onValueChange={setTyped} />
                        <Command.List className="max-h-72 overflow-auto p-1.5">
                            <Command.Empty className="px-2 py-3 text-slate">Nothing is called so. Try another word.</Command.Empty>
                            {inOrder.map((saying) => (
                                <Row
                                    key={saying.name}
                                    {...saying}
                                    said={saidSo(saying.words)}
                                    of={fits(saying.name) ? saying.family : needs(saying)}
                                    onSelect={() => onSay(saying)}
                                />
                            ))}
                            {open &&
                                commands.map((one) => (
                                    <Row
                                        key={one.name}
                                        {...one}
                                        said={saidSo(one.words)}
                                        onSelect={() => {
                                            onClose(true);
                                            one.run();
                                        }}
                                    />
                                ))}
                        </Command.List>
                    </Command>
                    <button className="flex w-full items-center justify-between border-t border-hairline px-3 py-2 text-[12.5px] text-slate hover:text-ink" onClick={onKeys}>
                        All keys <kbd className={KEY}>?</kbd>
                    </button>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** A label, the word by which it was found, and where it belongs or what it takes. */
function Row({
    name,
    label,
    words,
    said,
    of,
    onSelect,
}: {
    name: string;
    label: string;
    words: string[];
    said: string | undefined;
    of: string;
    onSelect: () => void;
}) {
    return (
        <Command.Item value={name} keywords={[label, ...words]} className="menu-item data-[selected=true]:bg-honey" onSelect={onSelect}>
            <span className="min-w-0">
                <span className="font-medium">{label.replace('…', '')}</span>
                {said !== undefined && <span className="ml-2 text-[12.5px] text-slate">{said}</span>}
            </span>
            <span className="shrink-0 text-[12.5px] text-slate">{of}</span>
        </Command.Item>
    );
}

/** From how many places short of one pull, or beyond it. */
function pulls(saying: Saying | undefined): number {
    return saying?.from === 'points' ? Math.abs(saying.least - 2) : 0;
}

/** What it asks for. */
function needs({ from, least }: Saying): string {
    return from === 'ground' ? 'on the sheet' : `takes ${least > 1 ? `${least} ` : ''}${from === 'guides' ? 'lines' : from}`;
}
