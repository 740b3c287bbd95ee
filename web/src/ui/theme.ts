const stored = 'blue-slate-look';

/** How the slate looks: as it is meant, or white for a projector or a bright room. */
export type Look = 'slate' | 'bright';

export const currentLook = (): Look => (localStorage.getItem(stored) === 'bright' ? 'bright' : 'slate');

/** Shows a look, and keeps it in this browser. */
export function setLook(look: Look) {
  localStorage.setItem(stored, look);
  showLook(look);
}

export function showLook(look: Look) {
  if (look === 'bright') document.documentElement.dataset.theme = 'bright';
  else delete document.documentElement.dataset.theme;
}
