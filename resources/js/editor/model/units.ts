const PER_INCH: Record<string, number> = { px: 96, mm: 25.4, cm: 2.54, in: 1, pt: 72 };

/** How many of a unit go into an inch, as CSS has it. */
export function perInch(unit: string): number {
    return PER_INCH[unit] ?? 96;
}
