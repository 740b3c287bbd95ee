import type { Drawing, Region } from './document';
import type { NewId } from './edits';
import { around, type Box } from '../geometry/boxes';
import type { Change, Step } from './steps';

/** How many colours a region may have; the painter of pictures knows the same. */
export const hues = 6;

const room = 18;
const roomForName = 18;

/** The region around just these shapes, if there is one. */
export function regionOf(drawing: Drawing, shapes: readonly string[]): Region | null {
  for (const region of drawing.regions.values()) {
    const members = region.members.filter((id) => drawing.shapes.has(id));
    if (members.length === shapes.length && members.every((id) => shapes.includes(id))) return region;
  }
  return null;
}

/** A region behind these shapes, in the colour that is used least so far. */
export function addRegion(drawing: Drawing, shapes: readonly string[], newId: NewId): { change: Change; id: string } {
  const used = [...drawing.regions.values()].map((region) => region.hue);
  const count = (hue: number) => used.filter((other) => other === hue).length;
  const hue = Array.from({ length: hues }, (_, i) => i + 1).reduce((best, next) =>
    count(next) < count(best) ? next : best,
  );
  const after: Region = { id: newId('g'), text: '', hue, members: [...shapes] };
  return { change: { label: 'region', steps: [{ of: 'region', id: after.id, before: null, after }] }, id: after.id };
}

const changed = (label: string, before: Region, after: Region | null): Change => ({
  label,
  steps: [{ of: 'region', id: before.id, before, after }],
});

export const nameRegion = (region: Region, text: string): Change => changed('name region', region, { ...region, text });

export const recolourRegion = (region: Region): Change =>
  changed('colour of region', region, { ...region, hue: (region.hue % hues) + 1 });

export const removeRegion = (region: Region): Change => changed('without region', region, null);

/** What becomes of regions when shapes go: they lose them, and go with the last. */
export function regionsWithout(drawing: Drawing, gone: ReadonlySet<string>): Step[] {
  return [...drawing.regions.values()]
    .filter((region) => region.members.some((id) => gone.has(id)))
    .map((before): Step => {
      const members = before.members.filter((id) => !gone.has(id));
      return { of: 'region', id: before.id, before, after: members.length > 0 ? { ...before, members } : null };
    });
}

/** Where a region is seen: around its shapes, with room for its name above them. */
export function frameOf(region: Region, boxes: ReadonlyMap<string, Box>): Box | null {
  const members = region.members.flatMap((id) => boxes.get(id) ?? []);
  const box = around(members);
  if (!box) return null;
  return {
    x: box.x - room,
    y: box.y - room - roomForName,
    width: box.width + 2 * room,
    height: box.height + 2 * room + roomForName,
  };
}
