import { frameOf } from '../../drawing/regions';
import { select } from '../../drawing/selection';
import type { Scene } from '../../geometry/scene';
import type { Slate } from '../useSlate';

/** Coloured regions behind the shapes that they hold. A press on a region's name chooses what is in it. */
export function RegionFigures({ scene, slate }: { scene: Scene; slate: Slate }) {
  return [...scene.drawing.regions.values()].map((region) => {
    const frame = frameOf(region, scene.boxes);
    if (!frame) return null;
    return (
      <g key={region.id} className={`region region-${region.hue}`}>
        <rect {...frame} rx={2} />
        {region.text && (
          <text
            className="region-name"
            x={frame.x + 10}
            y={frame.y + 18}
            onPointerDown={(event) => event.stopPropagation()}
            onClick={() => slate.setSelection(select(...region.members.filter((id) => scene.boxes.has(id))))}
          >
            {region.text}
          </text>
        )}
      </g>
    );
  });
}
