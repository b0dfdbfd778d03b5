import { Problem } from '../api/client';

const KINDS = {
    name: { label: 'Name', type: 'text', complete: 'name' },
    email: { label: 'E-mail address', type: 'email', complete: 'email' },
    password: { label: 'Password', type: 'password', complete: 'current-password' },
    'new-password': { label: 'Password', type: 'password', complete: 'new-password' },
} as const;

interface Ask {
    kind: keyof typeof KINDS;
    value: string;
    error: Error | null;
    hint?: string;
    label?: string;
    onChange: (value: string) => void;
}

/** What a person gives at the door, and what was wrong with it. */
export function Given({ kind, value, error, hint = '', label, onChange }: Ask) {
    const { label: usual, type, complete } = KINDS[kind];
    const name = kind === 'new-password' ? 'password' : kind;
    const wrong = error instanceof Problem ? error.for(name) : undefined;
    return (
        <label className="flex flex-col gap-1.5 font-medium">
            {label ?? usual}
            <input
                className="boxed text-[15px] font-normal"
                name={name}
                type={type}
                autoComplete={complete}
                required
                value={value}
                aria-invalid={wrong !== undefined}
                aria-describedby={`${name}-note`}
                onChange={(event) => onChange(event.target.value)}
            />
            <span id={`${name}-note`} className={`text-[12.5px] font-normal ${wrong === undefined ? 'text-slate' : 'text-brick'}`}>
                {wrong ?? hint}
            </span>
        </label>
    );
}

/** What went wrong that belongs to none of what was given. */
export function Otherwise({ error }: { error: Error | null }) {
    if (!(error instanceof Problem)) return null;
    const said = error.for('token') ?? (error.body.errors === undefined ? error.message : undefined);
    if (said === undefined) return null;
    return (
        <p role="alert" className="text-brick">
            {error.status === 429 ? 'That was too often in one minute. Please wait a little and try again.' : said}
        </p>
    );
}
