import { LiveProperties } from '../../ask/fields/LiveProperty';
import { useSheet } from '../../state/sheet';
import { ValueRows } from './ValueRows';

/** What all stands on: the sheet, and the numbers that have names. */
export function Ground() {
    const { scene } = useSheet();
    return (
        <div className="pt-2 pb-1.5">
            <div className="py-[5px] pr-4 pl-[50px] font-serif text-[16px] leading-[1.55]">
                <LiveProperties pieces={scene.said.ground} />
            </div>
            <ValueRows />
        </div>
    );
}
