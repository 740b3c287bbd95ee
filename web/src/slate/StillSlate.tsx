import { useState } from 'react';
import { closedSession } from './closedSession';
import { SlateSurface } from './SlateSurface';
import { useSlate } from './useSlate';

const none: ReadonlySet<string> = new Set();

/** A drawing to be looked at, moved about and made larger, and not changed. Another drawing wants another key. */
export function StillSlate({ drawing, label }: { drawing: string; label: string }) {
  const [session] = useState(() => closedSession(drawing));
  const slate = useSlate(session, false);
  return <SlateSurface slate={slate} label={label} lit={none} words={false} empty={<p>Nothing was drawn yet.</p>} />;
}
