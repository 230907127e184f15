import type { WrittenTime } from "./timestamp";

/** Most common distance of consecutive written times, minutes; null when there is none. Files with the newest row first count as well. */
export function usualStepMinutes(times: readonly WrittenTime[]): number | null {
  const counts = new Map<number, number>();
  for (let i = 1; i < times.length; i++) {
    const minutes = Math.abs(instant(times[i]!) - instant(times[i - 1]!)) / 60_000;
    if (minutes > 0) counts.set(minutes, (counts.get(minutes) ?? 0) + 1);
  }
  let usual: number | null = null;
  for (const [minutes, count] of counts) if (usual === null || count > (counts.get(usual) ?? 0)) usual = minutes;
  return usual;
}

const instant = (time: WrittenTime): number => time.wallMs - (time.offsetMinutes ?? 0) * 60_000;

export const dividesDay = (stepMinutes: number): boolean =>
  Number.isInteger(stepMinutes) && stepMinutes >= 1 && stepMinutes <= 60 && 1440 % stepMinutes === 0;
