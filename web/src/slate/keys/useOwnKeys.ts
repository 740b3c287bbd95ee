import { useSyncExternalStore } from 'react';
import { readOwnKeys, writeOwnKeys, type OwnKeys } from './keyMap';

let own: OwnKeys | null = null;
const observers = new Set<() => void>();

const current = () => (own ??= readOwnKeys(localStorage));

function subscribe(observer: () => void) {
  observers.add(observer);
  return () => observers.delete(observer);
}

function change(next: OwnKeys) {
  own = next;
  writeOwnKeys(localStorage, next);
  for (const observer of [...observers]) observer();
}

/** The keys that this person bound in this browser, and binding them. */
export const useOwnKeys = () => [useSyncExternalStore(subscribe, current), change] as const;
