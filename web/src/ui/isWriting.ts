/** Whether an event comes from where something is typed or chosen, so that keys mean what they mean there. */
export const isWriting = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.closest('input, textarea, select, [contenteditable], [role=listbox], [role=menu]') !== null;
