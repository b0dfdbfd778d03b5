import type { Scene } from '../../../api/client';

/** The flat colours of fills and strokes that are drawn. */
export function coloursDrawn(scene: Scene): Set<string> {
    const colours = new Set<string>();
    for (const { styles } of scene.drawing) {
        for (const style of styles) {
            if (style.fill !== 'none' && style.gradient === undefined && style.pattern === undefined) colours.add(style.fill);
            if (style.stroke !== 'none' && style.strokeWidth > 0) colours.add(style.stroke);
        }
    }
    return colours;
}
