import type { Drawn, Scene, Style } from '../../api/client';
import { readRuns } from '../model/pick/runs';
import { alongOf } from '../model/paint/PaintedCells';
import { bytesOf } from '../model/paint/over';
import type { GridShape } from '../model/scene/GridShape';
import { gridShape } from '../model/scene/geometry';
import type { PartShape } from '../model/scene/PartShape';
import { styleOf } from '../model/scene/patterns';

/** Cells from which on they are painted as a picture, not outline by outline. */
const MANY = 600;

/** Pixels of the screen to a cell below which the picture is smoothed. */
const SMOOTH = 1.5;

const pictures = new WeakMap<PartShape, { key: string; picture: OffscreenCanvas }>();

/** Paints cells in columns and rows as a picture, a pixel for each; says whether that would do. */
export function paintAsPixels(
    context: CanvasRenderingContext2D,
    scene: Scene,
    drawn: Drawn,
    shape: PartShape,
    restyle: (style: Style) => Style,
): boolean {
    const { painted, measures } = shape.data;
    const grid = painted === undefined ? undefined : gridShape(scene.steps.find((step) => step.id === painted.on)?.geometry);
    if (
        painted === undefined ||
        grid?.isLattice !== true ||
        measures.nodes < 4 * MANY ||
        grid.pointCount !== (grid.extent[0] + 1) * (grid.extent[1] + 1)
    )
        return false;
    const styles = painted.colours.map((_, number) => styleOf(drawn, shape, number));
    if (
        styles.some(
            (style) =>
                style !== undefined &&
                (style.opacity !== 1 ||
                    style.blend !== 'normal' ||
                    style.stroke !== 'none' ||
                    style.gradient !== undefined ||
                    style.pattern !== undefined),
        )
    )
        return false;
    const colours = styles.map((style) => (style === undefined ? 'none' : restyle(style).fill));
    const picture = pictureOf(shape, grid, painted.cells, colours);
    const [columns] = grid.extent;
    const [x, y] = grid.place(0);
    const [rightX, rightY] = grid.place(1);
    const [downX, downY] = grid.place(columns + 1);
    context.save();
    context.transform(rightX - x, rightY - y, downX - x, downY - y, x, y);
    const now = context.getTransform();
    context.imageSmoothingEnabled = Math.hypot(now.a, now.b) < SMOOTH;
    context.imageSmoothingQuality = 'high';
    context.globalAlpha = styles[0] === undefined ? 1 : restyle(styles[0]).opacity;
    context.drawImage(picture, 0, 0);
    context.restore();
    return true;
}

function pictureOf(shape: PartShape, grid: GridShape, cells: string[], colours: string[]): OffscreenCanvas {
    const key = `${grid.extent.join()} ${colours.join()}`;
    const known = pictures.get(shape);
    if (known?.key === key) return known.picture;
    const [columns, rows] = grid.extent;
    const image = new ImageData(columns, rows);
    const along = alongOf(grid);
    cells.forEach((text, number) => {
        const colour = colours[number] ?? 'none';
        if (colour === 'none') return;
        const bytes = bytesOf(colour);
        for (const [column, row] of readRuns(text, along)) image.data.set(bytes, 4 * ((row - 1) * columns + column - 1));
    });
    const picture = new OffscreenCanvas(columns, rows);
    picture.getContext('2d')?.putImageData(image, 0, 0);
    pictures.set(shape, { key, picture });
    return picture;
}
