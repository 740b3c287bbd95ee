import { useEffect } from 'react';

/** Names the page in the browser's tabs and history, for whoever has several open or hears them. */
export function PageTitle({ title }: { title: string }) {
  useEffect(() => {
    document.title = title === '' ? 'Blue Slate' : `${title} · Blue Slate`;
  }, [title]);
  return null;
}
