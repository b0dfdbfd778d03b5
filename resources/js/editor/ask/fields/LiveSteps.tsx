import { Popover } from 'radix-ui';
import { InlineButton } from '../../../ui/InlineButton';
import { useSheet } from '../../state/sheet';

interface Props {
    label: string;
    text: string;
    raw: unknown;
    step: string;
    roles: string[];
    /** Of what steps, where not all of the roles do. */
    kinds?: string[] | undefined;
    single?: boolean;
    /** Whether there may be none. */
    optional?: boolean;
    onCommit: (ids: string[]) => void;
}

/** Parts, grids or guides that a step works on: shown by name, changed by ticking earlier ones. */
export function LiveSteps(props: Props) {
    const { label, text } = props;
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <InlineButton className="italic decoration-amber underline-offset-4 hover:underline" aria-label={`${label}: ${text}`}>
                    {text.replace(/ (?=\d)/g, '\u00a0')}
                </InlineButton>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu max-h-80 w-56 overflow-auto" align="start" sideOffset={6}>
                    <Earlier {...props} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

function Earlier({ raw, step, roles, kinds, single = false, optional = false, onCommit }: Props) {
    const { scene, page } = useSheet();
    const ids = Array.isArray(raw) ? raw.filter((id): id is string => typeof id === 'string') : typeof raw === 'string' ? [raw] : [];
    const end = page.plan.steps.findIndex((one) => one.id === step);
    const earlier = new Set(page.plan.steps.slice(0, end).map((one) => one.id));
    const parts = scene.steps.filter(
        (one) =>
            earlier.has(one.id) &&
            ((roles.includes(one.role) && (kinds === undefined || kinds.includes(one.kind))) || ids.includes(one.id)),
    );
    if (parts.length === 0) return <p className="p-2 text-slate">There is nothing of the kind before this step.</p>;
    const rows = [...(optional ? [{ id: '', label: 'none' }] : []), ...parts];
    return rows.map(({ id, label }) => (
        <label key={id} className="menu-item justify-start gap-2.5">
            <input
                type={single ? 'radio' : 'checkbox'}
                className="accent-ink"
                checked={id === '' ? ids.length === 0 : ids.includes(id)}
                disabled={!single && ids.length === 1 && ids[0] === id}
                onChange={() =>
                    onCommit(id === '' ? [] : single ? [id] : ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id])
                }
            />
            <span className="font-serif text-[15px] italic">{label}</span>
        </label>
    ));
}
