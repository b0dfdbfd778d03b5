import { svgPathProperties } from 'svg-path-properties';
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

/** A path that can be measured, by a library in the place of the browser. */
class Measured {
    private path = new svgPathProperties('M0 0');

    setAttribute(_: string, data: string): void {
        this.path = new svgPathProperties(data);
    }

    getTotalLength(): number {
        return this.path.getTotalLength();
    }

    getPointAtLength(length: number): { x: number; y: number } {
        return this.path.getPointAtLength(length);
    }
}

vi.stubGlobal('Path2D', Outline);
vi.stubGlobal('DOMMatrix', function matrix() {});
// What is rendered has a document of its own.
if (typeof window === 'undefined') vi.stubGlobal('document', { createElementNS: () => new Measured() });
