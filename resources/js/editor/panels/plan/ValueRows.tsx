import { useState } from 'react';
import { expectedText } from '../../model/problem';
import { useSheet } from '../../state/sheet';
import { LiveNumber } from '../../ask/fields/LiveNumber';

/** Numbers that the designer named, to be used in every number field. */
export function ValueRows() {
    const { page, scene, change, preview } = useSheet();
    const [name, setName] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const values = Object.entries(page.plan.values);

    async function add(): Promise<void> {
        if (name === null || name.trim() === '') {
            setName(null);
            return;
        }
        const refused = await change([{ op: 'value', name: name.trim(), value: 10 }]);
        setProblem(refused === null ? null : expectedText(refused));
        if (refused === null) setName(null);
    }

    return (
        <div className="pr-4 pl-[50px] font-serif text-[16px] leading-[1.55]">
            {values.map(([one, raw]) => (
                <div key={one} className="group flex items-baseline gap-1 py-[3px]">
                    <span>
                        Let <em>{one}</em> be{' '}
                        <LiveNumber
                            label={`value ${one}`}
                            raw={raw}
                            value={scene.values[one] ?? null}
                            measure="length"
                            onPreview={(value) => preview(value === null ? null : [{ op: 'value', name: one, value }])}
                            onCommit={(value) => change([{ op: 'value', name: one, value }])}
                        />
                        .
                    </span>
                    <span className="flex-1" />
                    <button
                        className="rounded px-1.5 py-1 font-sans text-[12px] leading-none text-slate opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:bg-ground"
                        aria-label={`Delete value ${one}`}
                        onClick={() => void change([{ op: 'value', name: one, value: null }])}
                    >
                        delete
                    </button>
                </div>
            ))}
            {name === null ? (
                <button className="py-1 font-sans text-[12.5px] font-medium text-umber hover:underline" onClick={() => setName('')}>
                    Name a number
                </button>
            ) : (
                <div className="flex flex-col gap-1 py-1">
                    <input
                        className="boxed w-full text-[15px]"
                        autoFocus
                        aria-label="Name of the number"
                        placeholder="bar"
                        value={name}
                        onChange={(event) => setName(event.target.value)}
                        onBlur={() => void add()}
                        onKeyDown={(event) => {
                            event.stopPropagation();
                            if (event.key === 'Enter') void add();
                            if (event.key === 'Escape') setName(null);
                        }}
                    />
                    {problem !== null && (
                        <span role="alert" className="font-sans text-[12.5px] text-brick">
                            {problem}
                        </span>
                    )}
                </div>
            )}
        </div>
    );
}
