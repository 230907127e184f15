import type { ChildProcess } from "node:child_process";

export const BACK_OFF_MS: readonly number[];
export function endChild(child: ChildProcess | null, signal?: NodeJS.Signals, lastWordsMs?: number): Promise<void>;
export function keep(
  name: string,
  start: () => Promise<ChildProcess>,
  options?: { readonly ready?: (child: ChildProcess) => Promise<void>; readonly quiet?: boolean },
): {
  readonly state: { readonly child: ChildProcess; readonly starts: number };
  readonly started: Promise<void>;
  stop(signal?: NodeJS.Signals): Promise<void>;
};
