import { useQuery } from '@tanstack/react-query';
import { useMemo, useRef } from 'react';
import { answer, api, type Schemas, type SheetPage } from '../../api/client';
import type { GridShape } from '../model/scene/GridShape';
import type { GuideShape } from '../model/scene/GuideShape';
import { gridShape, guideShape } from '../model/scene/geometry';
import { type Line, SnapIndex } from '../model/pick/SnapIndex';

/** What can be snapped to on the sheet as it is now; null as long as that is not known, or where it is too much to be known beforehand. */
export function useSnapPlaces(page: SheetPage | undefined): SnapIndex | null {
    const known = useRef(new Map<string, Schemas['SnapGroup'][]>());
    const { data } = useQuery({
        queryKey: ['snap-places', page?.id, page?.revision],
        enabled: page !== undefined,
        gcTime: 0,
        queryFn: async () => {
            const given = await answer(
                api.POST('/api/sheets/{sheet}/snap-places', {
                    params: { path: { sheet: page?.id ?? '' } },
                    body: { has: [...known.current.keys()] },
                }),
            );
            const groups = new Map(given.groups.map((hash) => [hash, given.known[hash] ?? known.current.get(hash) ?? []]));
            known.current = groups;
            return { ...given, all: [...groups.values()].flat() };
        },
    });

    return useMemo(() => {
        return page === undefined || data === undefined || !data.complete ? null : indexOf(page, data.all, data);
        // The data are of this very revision; the page changes with it.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [data]);
}

/** The index of what is shown on a page. */
export function indexOf(
    { revision, scene }: Pick<SheetPage, 'revision' | 'scene'>,
    groups: Schemas['SnapGroup'][],
    rule: Pick<Schemas['SnapPlaces'], 'ranks' | 'beside'>,
): SnapIndex {
    const shown = scene.steps.filter((step) => !step.hidden && !step.usedUp);
    const grids = shown.flatMap(({ id, label, geometry }): Line<GridShape>[] => {
        const shape = gridShape(geometry);
        return shape === undefined || shape.data.mark !== '#' ? [] : [{ id, label, shape }];
    });
    const guides = shown.flatMap(({ id, label, geometry }): Line<GuideShape>[] => {
        const shape = guideShape(geometry);
        return shape === undefined ? [] : [{ id, label, shape }];
    });
    return new SnapIndex(revision, groups, rule, grids, guides);
}
