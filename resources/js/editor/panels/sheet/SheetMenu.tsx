import { DropdownMenu } from 'radix-ui';
import { useMemo, useSyncExternalStore } from 'react';
import { useAsking } from '../../state/asking';
import { usePicks } from '../../state/pick';
import { useView } from '../../state/view';
import { usePickCommands } from '../verbs/usePickCommands';
import { FAMILIES } from '../../model/verbs/verb';

/** What fits what lies there, where it was asked for: by the other button, a long press, or the key for it. */
export function SheetMenu({ at, onClose }: { at: readonly [number, number] | null; onClose: () => void }) {
    const { renaming } = usePicks();
    const { toSheet } = useView();
    const { offered } = useAsking();
    const { verbs, begin } = useSyncExternalStore(offered.subscribe, offered.get);
    const { commands } = usePickCommands();
    const families = useMemo(
        () =>
            FAMILIES.map((family) => ({
                family,
                its: verbs.filter((verb) => verb.family === family).sort((a, b) => a.key - b.key),
            })).filter(({ its }) => its.length > 0),
        [verbs],
    );

    return (
        <DropdownMenu.Root open={at !== null} onOpenChange={(open) => !open && onClose()}>
            <DropdownMenu.Trigger asChild>
                <span aria-hidden="true" className="pointer-events-none fixed size-0" style={{ left: at?.[0] ?? 0, top: at?.[1] ?? 0 }} />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    className="menu min-w-52"
                    align="start"
                    sideOffset={2}
                    collisionPadding={10}
                    onCloseAutoFocus={(event) => {
                        event.preventDefault();
                        if (renaming.get() === null) toSheet();
                    }}
                >
                    {families.map(({ family, its }) => (
                        <DropdownMenu.Sub key={family}>
                            <DropdownMenu.SubTrigger className="menu-item">
                                <span className="first-letter:uppercase">{family}</span> <span className="text-slate">›</span>
                            </DropdownMenu.SubTrigger>
                            <DropdownMenu.Portal>
                                <DropdownMenu.SubContent className="menu min-w-48" sideOffset={4} collisionPadding={10}>
                                    {its.map((verb) => (
                                        <DropdownMenu.Item
                                            key={verb.name}
                                            className="menu-item"
                                            title={verb.says}
                                            onSelect={() => begin(verb)}
                                        >
                                            {verb.label} {verb.needs > 0 && <span className="text-[11.5px] text-slate">{verb.wants}</span>}
                                        </DropdownMenu.Item>
                                    ))}
                                </DropdownMenu.SubContent>
                            </DropdownMenu.Portal>
                        </DropdownMenu.Sub>
                    ))}
                    {commands.length > 0 && <DropdownMenu.Separator className="my-1 h-px bg-hairline" />}
                    {commands.map(({ name, label, of, key, run }) => (
                        <DropdownMenu.Item key={name} className={`menu-item ${name === 'delete' ? 'text-brick' : ''}`} onSelect={run}>
                            {name === 'delete' ? `Delete ${of}` : label}{' '}
                            {key !== undefined && <span className="text-[11.5px] text-slate">{key}</span>}
                        </DropdownMenu.Item>
                    ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}
