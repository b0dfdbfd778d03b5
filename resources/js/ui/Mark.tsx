/** The four-rayed star. */
export function Mark({ size = 22 }: { size?: number }) {
    return (
        <svg width={size} height={size} viewBox="0 0 22 22" aria-hidden="true" className="shrink-0">
            <path d="M11 0L13.2 8.8L22 11L13.2 13.2L11 22L8.8 13.2L0 11L8.8 8.8Z" fill="currentColor" />
        </svg>
    );
}
