import { Tooltip } from 'radix-ui';
import type { FocusEvent, ReactElement, ReactNode } from 'react';

interface TipProps {
  says: ReactNode;
  side?: 'top' | 'right' | 'bottom' | 'left';
  /** What it is said of: one element that takes the pointer and the focus. */
  children: ReactElement;
}

/** A word on what something is or does, shown to the pointer and to the keyboard. */
export function Tip({ says, side = 'top', children }: TipProps) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild onFocus={unlessByKeys}>
        {children}
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content className="tip" side={side} sideOffset={6} collisionPadding={8}>
          {says}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}

// A finger or a pointer that gave the focus has no use for a tip over what it may press next.
const unlessByKeys = (event: FocusEvent) => {
  if (!event.currentTarget.matches(':focus-visible')) event.preventDefault();
};

/** What all tips of the application share: once one is shown, the next come at once. */
export function Tips({ children }: { children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={500} skipDelayDuration={300} disableHoverableContent>
      {children}
    </Tooltip.Provider>
  );
}
