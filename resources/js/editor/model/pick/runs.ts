type Cell = readonly [number, number];

/** The address of a cell; its second number is 0 where it has only one. */
export function addressOf([first, second]: Cell): string {
    return second === 0 ? String(first) : `${first},${second}`;
}

/** Cells as plans write painted ones: `3,4` one cell, `5,4+6` that and six more along a coordinate, 0 or 1. */
export function written(cells: Iterable<Cell>, along: 0 | 1 = 0): string {
    const across = along === 0 ? 1 : 0;
    const order = [...cells].sort((a, b) => a[across] - b[across] || a[along] - b[along]);
    const runs: { first: Cell; more: number }[] = [];
    for (const cell of order) {
        const last = runs.at(-1);
        const gap = last === undefined || last.first[across] !== cell[across] ? Infinity : cell[along] - last.first[along] - last.more;
        if (gap === 0) continue;
        if (gap === 1 && last !== undefined) last.more++;
        else runs.push({ first: cell, more: 0 });
    }
    return runs.map(({ first: [column, row], more }) => `${addressOf([column, row])}${more === 0 ? '' : `+${more}`}`).join(' ');
}

/** The cells that are written so. */
export function readRuns(text: string, along: 0 | 1 = 0): Cell[] {
    return [...text.matchAll(/(\d+)(?:,(\d+))?(?:\+(\d+))?/g)].flatMap(([, first, second, more]) =>
        Array.from({ length: 1 + Number(more ?? 0) }, (_, k): Cell => [
            Number(first) + (along === 0 ? k : 0),
            Number(second ?? 0) + (along === 1 ? k : 0),
        ]),
    );
}
