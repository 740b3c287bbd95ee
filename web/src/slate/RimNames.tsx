import { rimNames } from '../geometry/rimNames';
import { select } from '../drawing/selection';
import { useSize } from '../ui/useSize';
import type { Slate } from './useSlate';

/** Names at the rim of the slate, where lines lead out of sight; a press travels there. What is looked for by name needs their room. */
export function RimNames({ slate }: { slate: Slate }) {
  const size = useSize(slate.surface);
  if (!size || slate.moving || slate.editing || slate.finding) return null;
  return (
    <div className="rim-names" data-overlay>
      {rimNames(slate.base, slate.view, size).map(({ shape, says, at, rim }) => (
        <button
          key={shape}
          className={`rim-name at-${rim}`}
          style={rim === 'left' || rim === 'right' ? { top: at.y } : { left: at.x, [rim]: rimGap(rim, at.y, size) }}
          title={`to ${says}`}
          tabIndex={-1}
          onClick={() => {
            slate.travel(slate.base.boxes.get(shape));
            slate.setSelection(select(shape));
            slate.surface.current?.focus();
          }}
        >
          {says}
        </button>
      ))}
    </div>
  );
}

const rimGap = (rim: 'top' | 'bottom', y: number, size: { height: number }) =>
  Math.max(0, rim === 'top' ? y : size.height - y);
