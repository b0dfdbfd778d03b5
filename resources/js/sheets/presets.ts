/** Sizes that designers begin with. Paper sizes by ISO 216, in millimetres. */
export const PRESETS = [
    { name: 'Square mark', width: 800, height: 800, unit: 'px' },
    { name: 'Icon', width: 512, height: 512, unit: 'px' },
    { name: 'Wide banner', width: 1600, height: 900, unit: 'px' },
    { name: 'A4 upright', width: 210, height: 297, unit: 'mm' },
    { name: 'A3 level', width: 420, height: 297, unit: 'mm' },
    { name: 'Tile', width: 150, height: 150, unit: 'mm' },
] as const;

export const UNITS = ['px', 'mm', 'cm', 'in', 'pt'] as const;
