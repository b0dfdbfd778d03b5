import type { Step } from '../../api/client';

export type Sector = NonNullable<Step['sector']>;

/** The edges of the sectors of a repeat, the first of them tinted; mirror lines are dashed. */
export function paintSectors(
    context: CanvasRenderingContext2D,
    { center, from, angle, mirrored }: Sector,
    [width, height]: [number, number],
    scale: number,
    colour: string,
): void {
    const [x = 0, y = 0] = center;
    const far = 2 * Math.max(width, height);
    const towards = (degrees: number): [number, number] => [
        x + far * Math.sin((degrees * Math.PI) / 180),
        y - far * Math.cos((degrees * Math.PI) / 180),
    ];
    context.save();
    context.beginPath();
    context.rect(0, 0, width, height);
    context.clip();
    context.beginPath();
    context.moveTo(x, y);
    context.arc(x, y, far, ((from - 90) * Math.PI) / 180, ((from + angle - 90) * Math.PI) / 180);
    context.closePath();
    context.globalAlpha = 0.1;
    context.fillStyle = colour;
    context.fill();
    context.globalAlpha = 0.6;
    context.strokeStyle = colour;
    context.lineWidth = 1 / scale;
    context.beginPath();
    for (let k = 0; k < Math.round(360 / angle); k++) {
        context.moveTo(x, y);
        context.lineTo(...towards(from + k * angle));
    }
    context.stroke();
    if (mirrored) {
        context.beginPath();
        context.setLineDash([5 / scale, 4 / scale]);
        for (let k = 0; k < Math.round(360 / angle); k++) {
            context.moveTo(x, y);
            context.lineTo(...towards(from + (k + 0.5) * angle));
        }
        context.stroke();
    }
    context.restore();
}
