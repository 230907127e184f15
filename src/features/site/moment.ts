import { useSyncExternalStore } from "react";

/** The clock of the shadows, outside the render of the page: what follows it is drawn sixty times a second, the rest is not. */
export interface MomentStore {
  readonly get: () => number;
  readonly set: (minutes: number) => void;
  readonly subscribe: (heard: () => void) => () => void;
}

export function momentStore(minutes: number): MomentStore {
  let now = minutes;
  const listeners = new Set<() => void>();
  return {
    get: () => now,
    set(next) {
      now = next;
      for (const heard of listeners) heard();
    },
    subscribe(heard) {
      listeners.add(heard);
      return () => listeners.delete(heard);
    },
  };
}

/** Clock minutes of the day, followed. */
export const useMinutes = (store: MomentStore): number => useSyncExternalStore(store.subscribe, store.get, store.get);
