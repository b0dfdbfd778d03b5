import type { Schemas } from '../../../api/client';
import { Store } from '../Store';

/** Pixels on the longer side that are kept to be drawn. */
const LARGEST = 2400;

/** How many pictures have come by now. */
export const arrived = new Store(0);

const pictures = new Map<string, ImageBitmap | null>();

/** A picture on the sheet. It is asked for when it is first drawn; `arrived` tells when it has come. */
export class ImageShape {
    constructor(readonly data: Schemas['ImageGeometry']) {}

    get bitmap(): ImageBitmap | null {
        const known = pictures.get(this.data.image);
        if (known !== undefined) return known;
        pictures.set(this.data.image, null);
        const [wide = 1, high = 1] = this.data.size;
        const share = Math.min(1, LARGEST / Math.max(wide, high));
        void fetch(`/api/pictures/${this.data.image}`)
            .then(async (response) =>
                response.ok
                    ? createImageBitmap(await response.blob(), {
                          resizeWidth: Math.max(1, Math.round(wide * share)),
                          resizeHeight: Math.max(1, Math.round(high * share)),
                          resizeQuality: 'high',
                      })
                    : null,
            )
            .then((bitmap) => {
                pictures.set(this.data.image, bitmap);
                arrived.set(arrived.get() + 1);
            });
        return null;
    }
}
