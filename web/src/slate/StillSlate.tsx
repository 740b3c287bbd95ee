import { useEffect, useMemo, useState } from 'react';
import type { Drawing } from '../drawing/document';
import { closedSession } from './drawings';
import { SlateFrame } from './SlateFrame';
import { useSlate } from './useSlate';

interface StillSlateProps {
  drawing: Drawing | string;
  label: string;
  /** What of it is lit. */
  lit?: readonly string[];
  /** What of it is not shown yet. */
  hidden?: ReadonlySet<string>;
}

const none: readonly string[] = [];

/** A drawing to be looked at, moved about and made larger, and not changed. Another drawing wants another key. */
export function StillSlate({ drawing, label, lit = none, hidden }: StillSlateProps) {
  const [session] = useState(() => closedSession(drawing));
  const slate = useSlate(session, false);
  const { turnTo } = slate;
  useEffect(() => turnTo(lit), [turnTo, lit]);
  return (
    <SlateFrame
      slate={slate}
      label={label}
      lit={useMemo(() => new Set(lit), [lit])}
      hidden={hidden}

      empty={<p>Nothing was drawn yet.</p>}
    />
  );
}
