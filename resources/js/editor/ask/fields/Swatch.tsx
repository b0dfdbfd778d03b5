/** A round sample of a colour; a crossed one for none. */
export function Swatch({ colour, size = 12 }: { colour: string | undefined; size?: number }) {
    return (
        <span
            aria-hidden="true"
            className="relative inline-block shrink-0 overflow-hidden rounded-full align-[-1px]"
            style={{ width: size, height: size, background: colour ?? 'transparent', boxShadow: 'inset 0 0 0 1px rgba(27,33,64,.25)' }}
        >
            {colour === undefined && <span className="absolute top-1/2 left-0 h-px w-full -rotate-45 bg-brick" />}
        </span>
    );
}
