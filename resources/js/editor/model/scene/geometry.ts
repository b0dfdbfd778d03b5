import type { Handles, Scene, Step } from '../../../api/client';
import { GridShape, Topology } from './GridShape';
import { PartShape } from './PartShape';
import { GuideShape } from './GuideShape';
import { LatticeShape } from './LatticeShape';
import { ImageShape } from './ImageShape';
import { MeasureShape } from './MeasureShape';
import { HashStore, type Holder } from './HashStore';

type Shape = ImageShape | GridShape | PartShape | GuideShape | MeasureShape | HandleShape;

/** What of a step can be taken hold of. */
class HandleShape {
    constructor(readonly data: Handles) {}
}

/** The shapes of the scenes, by hash. */
export class ShapeStore extends HashStore<Shape> {
    private readonly topologies = new Map<string, Topology>();

    /** Takes in the geometry that came with a scene, for the one who shows it from now on. */
    take(scene: Pick<Scene, 'geometry'> & { steps: Pick<Step, 'geometry'>[] }, holder: Holder): void {
        const entries = Object.entries(scene.geometry);
        for (const [key, data] of entries) {
            if ('outlines' in data) this.topologies.set(key, new Topology(key, data));
        }
        for (const [hash, data] of entries) {
            const shape = this.made(data);
            if (shape !== undefined) this.put(hash, shape);
        }
        this.hold(holder, scene.steps.flatMap(({ geometry }) => (geometry === null ? [] : [geometry, handlesKey(geometry)])));
    }

    protected override hashes(): string[] {
        return [...this.topologies.keys(), ...super.hashes()];
    }

    protected override forget(): ReadonlySet<string> {
        const kept = super.forget();
        const used = new Set([...this.things.values()].map((shape) => (shape instanceof GridShape ? shape.topologyHash : '')));
        for (const hash of this.topologies.keys()) {
            if (!used.has(hash) && !kept.has(hash)) this.topologies.delete(hash);
        }
        return kept;
    }

    private made(data: Scene['geometry'][string]): Shape | undefined {
        if ('image' in data) return new ImageShape(data);
        if ('pulls' in data) return new HandleShape(data);
        if ('measured' in data) return new MeasureShape(data);
        if ('figures' in data) return new PartShape(data);
        if ('path' in data) return new GuideShape(data);
        if (!('places' in data)) return undefined;
        const topology = this.topologies.get(data.topology);
        if (topology !== undefined && data.lattice !== undefined) return new LatticeShape(data.lattice, data.lines, topology);
        return topology === undefined ? undefined : new GridShape(data.places, data.circles, data.bends, data.lines, topology);
    }
}

/** Of all that is open on this page. */
export const shapes = new ShapeStore();

const NO_HANDLES: Handles = { at: {}, pulls: [] };

function handlesKey(geometry: string): string {
    return `handles-${geometry}`;
}

/** What of a step can be taken hold of, by the hash of its geometry. */
export function handleShape(geometry: string | null): Handles {
    const shape = geometry === null ? undefined : shapes.get(handlesKey(geometry));
    return shape instanceof HandleShape ? shape.data : NO_HANDLES;
}

export function gridShape(hash: string | null | undefined): GridShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof GridShape ? shape : undefined;
}

export function guideShape(hash: string | null | undefined): GuideShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof GuideShape ? shape : undefined;
}

export function partShape(hash: string | null | undefined): PartShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof PartShape ? shape : undefined;
}

export function measureShape(hash: string | null | undefined): MeasureShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof MeasureShape ? shape : undefined;
}

export function imageShape(hash: string | null | undefined): ImageShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof ImageShape ? shape : undefined;
}
