import { Dialog } from 'radix-ui';
import { useRef, type KeyboardEvent, type ReactNode } from 'react';

interface SheetProps {
  open: boolean;
  /** Without it the sheet stays until what it asks is decided. */
  onClose?: () => void;
  title: string;
  children: ReactNode;
  /** What can be done, the main thing first: Enter after a line of text does that. */
  actions?: ReactNode;
  /** The word of leaving it, when “not now” beside an action says the wrong thing. */
  closeWord?: string;
  /** For what needs the whole page, such as two drawings side by side. */
  wide?: boolean;
}

/** Drawings on a sheet could hold the focus; none of them is more important than the others. */
const focusWhole = (event: Event) => {
  event.preventDefault();
  (event.currentTarget as HTMLElement).focus();
};

/** Whoever read or decided something goes on at the page's slate, where there is one; elsewhere at what opened the sheet. */
const focusHome = (event: Event) => {
  const home = document.querySelector<HTMLElement>('[data-home]');
  if (!home) return;
  event.preventDefault();
  home.focus({ preventScroll: true });
};

/** Whether somebody who writes a line is done with what the sheet asks; at numbers and times Enter is pressed too lightly. */
const isDone = ({ key, target, nativeEvent, defaultPrevented }: KeyboardEvent) =>
  key === 'Enter' &&
  target instanceof HTMLInputElement &&
  target.type === 'text' &&
  !nativeEvent.isComposing &&
  !defaultPrevented;

/** A sheet of paper laid over the page: something to read or decide before going on. */
export function Sheet({ open, onClose, title, children, actions, closeWord, wide = false }: SheetProps) {
  const actionsHere = useRef<HTMLDivElement>(null);
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose?.()}>
      <Dialog.Portal>
        <Dialog.Overlay className="sheet-veil" />
        <Dialog.Content
          className={`sheet${wide ? ' wide' : ''}`}
          aria-describedby={undefined}
          onOpenAutoFocus={wide ? focusWhole : undefined}
          onCloseAutoFocus={focusHome}
        >
          <Dialog.Title className="sheet-title">{title}</Dialog.Title>
          <div
            className="sheet-body"
            onKeyDown={(event) =>
              isDone(event) && actionsHere.current?.querySelector<HTMLElement>('.press-button')?.click()
            }
          >
            {children}
          </div>
          <div className="sheet-actions" ref={actionsHere}>
            {actions}
            {onClose && (
              <Dialog.Close className="word-button">{closeWord ?? (actions ? 'not now' : 'close')}</Dialog.Close>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
