import { DropdownMenu } from 'radix-ui';
import { useMemo, useSyncExternalStore } from 'react';
import type { Operation } from '../../../api/client';
import { stepOf } from '../../model/scene/steps';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { stepIn } from '../../model/pick/Picking';
import { useRemoving } from '../../state/useRemoving';
import { FAMILIES } from '../../model/verbs/verbs';

/** What fits what lies there, where it was asked for: by the other button, a long press, or the key for it. */
export function SheetMenu({ at, onClose }: { at: readonly [number, number] | null; onClose: () => void }) {
    const { scene, change } = useSheet();
    const { picking, renaming, selected } = usePicks();
    const { toSheet } = useView();
    const { offered } = useAsking();
    const pick = usePick(picking);
    const { verbs, begin } = useSyncExternalStore(offered.subscribe, offered.get);
    const removing = useRemoving();
    const families = useMemo(() => FAMILIES.map((family) => ({ family, its: verbs.filter((verb) => verb.family === family).sort((a, b) => a.key - b.key) })).filter(({ its }) => its.length > 0), [verbs]);
    const picked = pick.mode === 'parts' ? pick.parts.map(stepIn) : pick.mode === 'lines' ? [...pick.lines] : [];
    const ids = [...new Set(picked.length === 0 && selected !== null && pick.count === 0 ? [selected] : picked)];
    const [first] = ids;
    const others = pick.mode === 'parts' ? scene.steps.filter((step) => step.role === 'part' && !step.usedUp && !step.hidden && !ids.includes(step.id)).map(({ id }) => id) : [];
    const hide = (all: string[]): Operation[] => all.map((id) => ({ op: 'set', id, field: 'hidden', value: true }));

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
                                        <DropdownMenu.Item key={verb.name} className="menu-item" title={verb.says} onSelect={() => begin(verb)}>
                                            {verb.label} {verb.needs > 0 && <span className="text-[11.5px] text-slate">{verb.wants}</span>}
                                        </DropdownMenu.Item>
                                    ))}
                                </DropdownMenu.SubContent>
                            </DropdownMenu.Portal>
                        </DropdownMenu.Sub>
                    ))}
                    {first !== undefined && (
                        <>
                            <DropdownMenu.Separator className="my-1 h-px bg-hairline" />
                            {ids.length === 1 && (
                                <DropdownMenu.Item className="menu-item" onSelect={() => renaming.set(first)}>
                                    Rename <span className="text-[11.5px] text-slate">F2</span>
                                </DropdownMenu.Item>
                            )}
                            <DropdownMenu.Item className="menu-item" onSelect={() => void change(hide(ids))}>
                                Hide
                            </DropdownMenu.Item>
                            {others.length > 0 && (
                                <DropdownMenu.Item className="menu-item" onSelect={() => void change(hide(others))}>
                                    Hide the others
                                </DropdownMenu.Item>
                            )}
                            <DropdownMenu.Item className="menu-item text-brick" onSelect={() => void removing(ids)}>
                                Delete {ids.length === 1 ? (stepOf(scene, first)?.label ?? '') : `${ids.length} steps`} <span className="text-[11.5px]">Del</span>
                            </DropdownMenu.Item>
                        </>
                    )}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}
