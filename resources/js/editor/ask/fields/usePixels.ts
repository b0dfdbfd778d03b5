import { stepOf } from '../../model/scene/steps';
import { useActs } from '../../state/acts';
import { useSheet } from '../../state/sheet';
import { imageShape } from '../../model/scene/geometry';

type Pixel = [number, number];

/** Asks for places of a picture, and of the sheet, one after another; null as soon as the asking is left. */
export function usePixels(step: string): { pixels: (count: number) => Promise<Pixel[] | null>; place: () => Promise<unknown> } {
    const { askPlace } = useActs();
    const { scene } = useSheet();
    const shape = imageShape(stepOf(scene, step)?.geometry);

    function asked(): Promise<{ raw: unknown; at: Pixel } | null> {
        return new Promise((resolve) => askPlace({ take: (raw, at) => resolve({ raw, at }), leave: () => resolve(null), before: step }));
    }

    /** Where a place of the sheet lies in the picture, in pixels of the whole. */
    function pixelAt([x, y]: Pixel): Pixel {
        const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = shape?.data.map ?? [];
        const square = a * d - b * c || 1;
        const [left = 0, top = 0] = shape?.data.corner ?? [];
        return [round((d * (x - e) - c * (y - f)) / square + left), round((a * (y - f) - b * (x - e)) / square + top)];
    }

    return {
        pixels: async (count) => {
            if (shape === undefined) return null;
            const found: Pixel[] = [];
            while (found.length < count) {
                const one = await asked();
                if (one === null) return null;
                found.push(pixelAt(one.at));
            }
            return found;
        },
        place: async () => (await asked())?.raw ?? null,
    };
}

function round(value: number): number {
    return Math.round(value * 100) / 100;
}
