import type { Scene } from '../../api/client';
import { measureShape } from '../model/scene/geometry';

/** Pixels of the screen: how far a dimension line stands off, how long its ticks are, how large the arc of an angle is. */
const OFF = 18;
const TICK = 4.5;
const ARC = 30;

const FONT = "500 12px 'Instrument Sans Variable', sans-serif";

export interface Ink {
    line: string;
    ground: string;
}

/** `a = 40`, `72°`: what a measure comes to, as short as it is true to a hundredth. */
export function measureText(name: string | null, value: number, isAngle: boolean): string {
    const number = `${Math.round(value * 100) / 100}${isAngle ? '°' : ''}`;
    return name === null ? number : `${name} = ${number}`;
}

/** The quiet dimension lines of all measures that are shown; the one that is selected stands out. */
export function paintMeasures(
    context: CanvasRenderingContext2D,
    scene: Scene,
    scale: number,
    ink: Ink,
    selected: string | null,
    accent: string,
): void {
    context.save();
    context.lineCap = 'round';
    for (const step of scene.steps) {
        const data = step.role === 'measure' && !step.hidden ? measureShape(step.geometry)?.data : undefined;
        if (data === undefined) continue;
        const isSelected = step.id === selected;
        context.strokeStyle = context.fillStyle = isSelected ? accent : ink.line;
        context.globalAlpha = isSelected ? 1 : 0.72;
        context.lineWidth = (isSelected ? 1.8 : 1) / scale;
        const [from, to, at] = [pair(data.from), pair(data.to), data.at === null ? null : pair(data.at)];
        const text = measureText(step.name, data.value, data.measured === 'angle');
        if (data.measured === 'angle' && at !== null) angle(context, from, at, data.value, text, scale, ink.ground);
        else if (data.measured === 'length') write(context, text, from, scale, ink.ground);
        else across(context, from, to, data.measured === 'distance' ? OFF / scale : 0, text, scale, ink.ground);
    }
    context.restore();
}

type Place = [number, number];

function pair([x = 0, y = 0]: number[]): Place {
    return [x, y];
}

/** From one place to another, beside the way there, on its upper or left side. */
function across(context: CanvasRenderingContext2D, from: Place, to: Place, off: number, text: string, scale: number, ground: string): void {
    const far = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (far === 0) return write(context, text, from, scale, ground);
    const way: Place = [(to[0] - from[0]) / far, (to[1] - from[1]) / far];
    const upwards = way[0] > 0 || (way[0] === 0 && way[1] < 0) ? 1 : -1;
    const normal: Place = [way[1] * upwards, -way[0] * upwards];
    const beside = ([x, y]: Place, by: number): Place => [x + normal[0] * by, y + normal[1] * by];
    const [a, b] = [beside(from, off), beside(to, off)];
    context.beginPath();
    context.moveTo(...a);
    context.lineTo(...b);
    for (const [foot, end] of [[from, a], [to, b]] as const) {
        if (off > 0) {
            context.moveTo(...beside(foot, 4 / scale));
            context.lineTo(...beside(foot, off + 5 / scale));
        }
        const slant: Place = [(way[0] + normal[0]) * (TICK / scale), (way[1] + normal[1]) * (TICK / scale)];
        context.moveTo(end[0] - slant[0], end[1] - slant[1]);
        context.lineTo(end[0] + slant[0], end[1] + slant[1]);
    }
    strokeOn(context, ground, scale);
    context.font = FONT;
    const room = far * scale - context.measureText(text).width;
    // Where its figures have no room on the line they stand beside it.
    const away = room < 24 ? 15 / scale : 0;
    write(context, text, beside([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], away), scale, ground);
}

/** A line that is seen on what is dark and on what is light. */
function strokeOn(context: CanvasRenderingContext2D, ground: string, scale: number): void {
    context.save();
    context.strokeStyle = ground;
    context.lineWidth += 2.4 / scale;
    context.stroke();
    context.restore();
    context.stroke();
}

function angle(
    context: CanvasRenderingContext2D,
    from: Place,
    at: Place,
    degrees: number,
    text: string,
    scale: number,
    ground: string,
): void {
    const start = Math.atan2(from[1] - at[1], from[0] - at[0]);
    const turn = (degrees * Math.PI) / 180;
    const arm = ARC / scale;
    context.beginPath();
    context.arc(...at, arm, start, start + turn);
    for (const end of [start, start + turn]) {
        context.moveTo(...at);
        context.lineTo(at[0] + 1.25 * arm * Math.cos(end), at[1] + 1.25 * arm * Math.sin(end));
    }
    strokeOn(context, ground, scale);
    write(context, text, [at[0] + 1.7 * arm * Math.cos(start + turn / 2), at[1] + 1.7 * arm * Math.sin(start + turn / 2)], scale, ground);
}

/** On a ground of its own, so that no line runs through the figures. */
function write(context: CanvasRenderingContext2D, text: string, [x, y]: Place, scale: number, ground: string): void {
    const colour = context.fillStyle;
    context.save();
    context.globalAlpha = 1;
    context.translate(x, y);
    context.scale(1 / scale, 1 / scale);
    context.font = FONT;
    context.textAlign = 'center';
    context.textBaseline = 'middle';
    const wide = context.measureText(text).width;
    context.fillStyle = ground;
    context.beginPath();
    context.roundRect(-wide / 2 - 4, -8.5, wide + 8, 17, 3);
    context.fill();
    context.fillStyle = colour;
    context.fillText(text, 0, 1);
    context.restore();
}
