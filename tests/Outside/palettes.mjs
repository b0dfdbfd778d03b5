// Palettes of n colours with the general-purpose library image-q. In: pictures, each as [colours, [r, g, b, …]]; out: for each its palette as [r, g, b] each.
import { readFileSync } from 'node:fs';
import { buildPaletteSync, utils } from 'image-q';

const answers = JSON.parse(readFileSync(0, 'utf8')).map(([colours, values]) => {
    const pixels = new Uint8Array((values.length / 3) * 4).fill(255);
    values.forEach((value, k) => (pixels[Math.floor(k / 3) * 4 + (k % 3)] = value));
    const points = utils.PointContainer.fromUint8Array(pixels, values.length / 3, 1);
    return buildPaletteSync([points], { colors: colours, paletteQuantization: 'wuquant', colorDistanceFormula: 'ciede2000' })
        .getPointContainer()
        .getPointArray()
        .map(({ r, g, b }) => [r, g, b]);
});
console.log(JSON.stringify(answers));
