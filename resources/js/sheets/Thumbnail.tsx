import { useEffect, useRef, useState } from 'react';
import { inTurn } from './inTurn';

const MOST_TRIES = 4;

/**
 * The drawing of a sheet as it is now. Of a list of many the pictures are asked for one after another, so that none is told to come back.
 */
export function Thumbnail({ sheet, revision }: { sheet: string; revision: number }) {
    const [source, setSource] = useState<string | undefined>();
    /** How often it was asked for again: a line that breaks is no reason to show nothing. */
    const [tries, setTries] = useState(0);
    const end = useRef<() => void>(undefined);

    useEffect(() => {
        const again = tries === 0 ? '' : `&again=${String(tries)}`;
        end.current = inTurn(() => setSource(`/api/sheets/${sheet}/thumbnail.svg?revision=${String(revision)}${again}`));
        return () => end.current?.();
    }, [sheet, revision, tries]);

    return (
        <img
            src={source}
            alt=""
            onLoad={() => end.current?.()}
            onError={() => {
                end.current?.();
                if (tries < MOST_TRIES) setTimeout(() => setTries(tries + 1), 1000 * (tries + 1));
            }}
            className="absolute inset-4 size-[calc(100%-2rem)] bg-transparent object-contain drop-shadow-[0_1px_0_#cfc5b0]"
        />
    );
}
