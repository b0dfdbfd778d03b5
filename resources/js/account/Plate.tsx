/** The page opposite the form: a construction, half grid and half result. Worked out once by hand, only drawn here. */
export function Plate() {
    const spokes = Array.from({ length: 16 }, (_, k) => k * 22.5);
    return (
        <div className="relative overflow-hidden border-l border-rule bg-ground" aria-hidden="true">
            <svg viewBox="-320 -320 640 640" className="absolute inset-0 h-full w-full">
                <g stroke="#1b2140" strokeOpacity=".3" fill="none" strokeWidth=".8">
                    {[60, 120, 180, 240, 300].map((radius) => (
                        <circle key={radius} r={radius} />
                    ))}
                    {spokes.map((turn) => (
                        <path key={turn} d="M0-60V-300" transform={`rotate(${turn + 11.25})`} />
                    ))}
                </g>
                {spokes.map((turn, k) => (
                    <g key={turn} transform={`rotate(${turn})`}>
                        <path d="M-46.82-235.39A240 240 0 0 1 46.82-235.39L0-300Z" fill={k % 2 === 0 ? '#e7c98f' : 'none'} />
                        <path
                            d="M-11.71-58.85L-35.12-176.54A180 180 0 0 1 35.12-176.54L11.71-58.85A60 60 0 0 0-11.71-58.85Z"
                            fill={k % 2 === 0 ? '#0f6e84' : '#1b2140'}
                        />
                        <path d="M-23.41-117.69A120 120 0 0 1 23.41-117.69L0-176Z" fill={k % 2 === 0 ? '#9fd0cf' : '#c65f3c'} />
                    </g>
                ))}
                <path d="M0-46L9-9L46 0L9 9L0 46L-9 9L-46 0L-9-9Z" fill="#d99411" />
            </svg>
        </div>
    );
}
