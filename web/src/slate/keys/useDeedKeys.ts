import { deeds, keyOf, nameOf } from './keyMap';
import { useOwnKeys } from './useOwnKeys';

/** The key of a deed for people, as this person has bound it. */
export function useDeedKeys() {
  const [own] = useOwnKeys();
  return (id: string): string => {
    const deed = deeds.find((one) => one.id === id);
    if (!deed) throw new Error(`There is no deed ${id}.`);
    return nameOf(keyOf(own, deed));
  };
}
