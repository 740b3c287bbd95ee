import type { Drawing, Line, LineEnd, Side } from '../../drawing/document';
import type { Ground } from './ground';

/** One line of a net: where it ends, and which of its ends is at the hub. */
export interface Spoke {
  readonly line: Line;
  readonly target: string;
  readonly hubSide: Side;
}

/**
 * The lines that leave one box or gather together, and share a lane until they part. A bracket leads from the boxes that are gathered
 * to what gathers them.
 */
export interface Net {
  readonly hub: string;
  readonly bracket: boolean;
  readonly spokes: readonly Spoke[];
  /** Whether what determines is the key: all that is underlined, and nothing else. */
  readonly ofKey: boolean;
}

/** All lines between boxes, or between boxes and gathers, by what they leave. */
export function netsOf(drawing: Drawing, ground: Ground): Net[] {
  const found = new Map<string, { hub: string; bracket: boolean; spokes: Spoke[] }>();
  for (const line of drawing.lines.values()) {
    const net = netOf(line, ground);
    if (!net) continue;
    const { key, hub, bracket, spoke } = net;
    if (!found.has(key)) found.set(key, { hub, bracket, spokes: [] });
    found.get(key)!.spokes.push(spoke);
  }
  const nets = [...found.values()];
  const keys = new Map<string, Set<string>>();
  for (const { id, strip, underlined } of ground.cells.values())
    if (underlined) keys.set(strip, (keys.get(strip) ?? new Set()).add(id));
  return nets.map((net) => {
    const gathered = nets.find((other) => other.bracket && other.hub === net.hub);
    const from = ground.cells.has(net.hub) ? [net.hub] : (gathered?.spokes ?? []).map((spoke) => spoke.target);
    const key = keys.get(ground.cells.get(from[0] ?? '')?.strip ?? '');
    return { ...net, ofKey: key !== undefined && from.length === key.size && from.every((id) => key.has(id)) };
  });
}

const hasHead = (end: LineEnd) => end.marks.includes('arrow');

function netOf(line: Line, { cells, gathers }: Ground) {
  const at = (side: Side) => (line[side].on.kind === 'shape' || line[side].on.kind === 'row' ? line[side].on.id : '');
  const [from, to] = [at('from'), at('to')];
  const known = (id: string) => cells.has(id) || gathers.has(id);
  if (!known(from) || !known(to) || from === to || (gathers.has(from) && gathers.has(to))) return null;
  const between = !gathers.has(from) && !gathers.has(to);
  const [one, other] = [hasHead(line.from), hasHead(line.to)];
  const hubSide: Side = between ? (one && !other ? 'to' : 'from') : gathers.has(from) ? 'from' : 'to';
  const farSide: Side = hubSide === 'from' ? 'to' : 'from';
  const [hub, target] = [at(hubSide), at(farSide)];
  const bracket = !between && !hasHead(line[farSide]);
  // A line with two heads or none shares nothing, so that its ends are seen to be its own.
  const alone = between && one === other;
  return { key: alone ? line.id : `${hub} ${bracket}`, hub, bracket, spoke: { line, target, hubSide } };
}
