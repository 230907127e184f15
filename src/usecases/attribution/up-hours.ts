import type { RunEvidence } from "@/core/attribution";

/** Hours with light, and of them those in which the plant was up, each by the share of its rating that was. */
export interface UpHours {
  readonly up: number;
  readonly lit: number;
}

/** Share of rated output that the light has to owe for an hour to count: some 50 W/m2, at which inverters run. Source: IEC TS 63019:2019, and IEC 61724-1:2021 for the least light. */
const COUNTED_FRAC = 0.05;

/**
 * Hours by local month. A whole inverter or module inverter that is out takes the share of the rating behind it; a string out takes energy, not time, and
 * what a limit from outside cut is neither. Monthly figures show no standstill: nothing is told of them.
 */
export function upByMonth({ frame, outages, strings }: Pick<RunEvidence, "frame" | "outages" | "strings">): Map<string, UpHours> {
  const out = new Map<string, UpHours>();
  if (frame.resolution === "months") return out;
  const units = strings.filter(({ part }) => part.kind !== "strings");
  for (let i = 0; i < frame.axis.count; i++) {
    if (!(frame.openKwh[i]! > COUNTED_FRAC * frame.ratedKwh) || frame.read[i] === 0) continue;
    const month = frame.days.keys[frame.days.binOf[i]!]!.slice(0, 7);
    const sum = out.get(month) ?? { up: 0, lit: 0 };
    const missing = units.reduce((all, { from, to, lostFrac }) => all + (i >= from && i < to ? lostFrac : 0), 0);
    out.set(month, { up: sum.up + (1 - outages.downFrac[i]!) * Math.max(0, 1 - missing), lit: sum.lit + 1 });
  }
  return out;
}

/** Hours of a plant whose parts are read apart: each part by its rating, in months in which all were read. */
export function upOfParts(parts: readonly { readonly ratedW: number; readonly up: ReadonlyMap<string, UpHours> }[]): Map<string, UpHours> {
  const out = new Map<string, UpHours>();
  const ratedW = parts.reduce((sum, part) => sum + part.ratedW, 0);
  for (const [month, { lit }] of parts[0]?.up ?? []) {
    const own = parts.map((part) => ({ share: part.ratedW / ratedW, hours: part.up.get(month) }));
    if (own.some(({ hours }) => !hours || hours.lit === 0)) continue;
    out.set(month, { up: own.reduce((sum, { share, hours }) => sum + (share * lit * hours!.up) / hours!.lit, 0), lit });
  }
  return out;
}
