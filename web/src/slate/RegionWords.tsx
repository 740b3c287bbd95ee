import { useState } from 'react';
import { limits } from '../drawing/document';
import { addRegion, nameRegion, recolourRegion, regionOf, removeRegion } from '../drawing/regions';
import { newId, type Slate } from './useSlate';

/** What can be done about the region of what is chosen, in words. */
export function RegionWords({ slate, shapes }: { slate: Slate; shapes: readonly string[] }) {
  const [naming, setNaming] = useState<string | null>(null);
  const { drawing, change } = slate;
  const region = regionOf(drawing, shapes);
  const begin = () => {
    const { change: added, id } = addRegion(drawing, shapes, newId);
    change(added);
    setNaming(id);
  };
  const name = (text: string) => {
    setNaming(null);
    if (region && text !== region.text) change(nameRegion(region, text));
    slate.surface.current?.focus();
  };
  if (!region)
    return (
      <button className="word-button" onClick={begin}>
        region
      </button>
    );
  if (naming === region.id)
    return (
      <input
        autoFocus
        className="region-input"
        aria-label="Name of the region"
        placeholder="name of the region"
        defaultValue={region.text}
        maxLength={limits.text}
        onBlur={(event) => name(event.target.value.trim())}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
          event.stopPropagation();
        }}
      />
    );
  return (
    <>
      <span>region:</span>
      <button className="word-button" onClick={() => setNaming(region.id)}>
        name
      </button>
      <button className="word-button" onClick={() => change(recolourRegion(region))}>
        other colour
      </button>
      <button className="word-button" onClick={() => change(removeRegion(region))}>
        none
      </button>
    </>
  );
}
