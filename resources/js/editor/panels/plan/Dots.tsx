/** More can be done here. */
export function Dots() {
    return (
        <svg viewBox="0 0 4 16" width="3" height="13" aria-hidden="true" className="fill-current">
            <circle cx="2" cy="2" r="1.7" />
            <circle cx="2" cy="8" r="1.7" />
            <circle cx="2" cy="14" r="1.7" />
        </svg>
    );
}
