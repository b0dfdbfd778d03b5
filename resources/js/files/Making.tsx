import type { Export } from '../api/client';
import { Progress } from '../ui/Progress';

/** How far a file is. */
export function Making({ order }: { order: Export }) {
    const many = order.pieces > 1;
    return (
        <p role="status" className="flex items-center gap-3 text-slate">
            <Progress
                label="How far the file is"
                max={order.pieces}
                value={order.state === 'waiting' ? 0 : many ? order.made : undefined}
            />
            <span className="tabular-nums">
                {order.state === 'waiting'
                    ? 'Waiting for its turn'
                    : many
                      ? `${String(order.made)} of ${String(order.pieces)}`
                      : 'Being made'}
            </span>
        </p>
    );
}
