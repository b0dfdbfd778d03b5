import { vi } from 'vitest';

/** Outlines are only handed on here, not drawn: what the browser draws them with is not there. */
class Outline {
    constructor(readonly data = '') {}
    addPath(): void {}
    moveTo(): void {}
    lineTo(): void {}
    arc(): void {}
    bezierCurveTo(): void {}
    closePath(): void {}
}

vi.stubGlobal('Path2D', Outline);
vi.stubGlobal('DOMMatrix', function matrix() {});
