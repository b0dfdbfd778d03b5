import { useCallback, useEffect, useState } from 'react';
import { answer, api, type Scene } from '../../api/client';
import type { Camera, Seen } from '../model/camera';
import { useLatest } from '../state/useLatest';

/** The outlines in the present view, asked for anew whenever the view or the plan changes; null while they are not wanted. */
export function useCloseUp(
    sheet: string,
    wanted: boolean,
    scene: Scene,
    view: Camera,
    size: { width: number; height: number },
): Seen | null {
    const ask = useLatest(
        useCallback(
            (body: Seen['window']) => answer(api.POST('/api/sheets/{sheet}/close-up', { params: { path: { sheet } }, body })),
            [sheet],
        ),
    );
    const [seen, setSeen] = useState<Seen | null>(null);

    useEffect(() => {
        if (!wanted || size.width === 0) return;
        let current = true;
        const window = {
            left: -view.x / view.scale,
            top: -view.y / view.scale,
            right: (size.width - view.x) / view.scale,
            bottom: (size.height - view.y) / view.scale,
        };
        void ask(window).then((closeUp) => {
            if (current && closeUp !== null) setSeen({ window, closeUp });
        });
        return () => {
            current = false;
        };
    }, [ask, wanted, scene, view, size]);

    return wanted ? seen : null;
}
