import { bytesOf } from './over';
import type { PaintedCells } from './PaintedCells';

const INK = [27, 33, 64, 255];

/** A pixel for every cell of a lattice. */
export function imageOf(picture: PaintedCells, wide: number, high: number): ImageData {
    const image = new ImageData(wide, high);
    const bytes = picture.palette.map(bytesOf);
    picture.numbered.forEach((number, cell) => number !== 0 && image.data.set(bytes[number] ?? [], 4 * cell));
    return image;
}

/** What is painted at all, in one colour. */
export function silhouetteOf(image: ImageData): ImageData {
    const dark = new ImageData(image.width, image.height);
    for (let at = 3; at < image.data.length; at += 4) {
        if (image.data[at] !== 0) dark.data.set(INK, at - 3);
    }
    return dark;
}
