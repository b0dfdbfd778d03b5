import { createContext, useContext } from 'react';
import type { Painter } from '../model/paint/Painter';
import { inEditor } from './inEditor';

/** What is painted and not yet kept, and with which brush. */
export interface BrushState {
    painter: Painter;
}

export const BrushContext = createContext<BrushState | null>(null);

export function useBrush(): BrushState {
    return inEditor(useContext(BrushContext));
}
