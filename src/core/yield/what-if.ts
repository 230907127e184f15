import type { Mounting } from "../module";
import { type ModelChoices, type PvArray, type Site, siteAcRatedW } from "../site";

/** A change to a site that somebody wants to try; what is left out stays as the book has it. */
export interface WhatIf {
  /** The array that tilt, azimuth, mounting, module and count speak of; null for all of them. */
  readonly arrayId: string | null;
  readonly tiltDeg?: number | undefined;
  readonly azimuthDeg?: number | undefined;
  readonly mounting?: Mounting | undefined;
  readonly module?: string | undefined;
  readonly count?: number | undefined;
  /** AC rating of all inverters together, W; each keeps its share. */
  readonly acRatedW?: number | undefined;
  readonly soilingFrac?: number | undefined;
  readonly albedo?: number | undefined;
  readonly models?: { readonly [Stage in keyof ModelChoices]?: ModelChoices[Stage] | undefined } | undefined;
}

const ARRAY_KEYS = ["tiltDeg", "azimuthDeg", "mounting", "module", "count"] as const;

const defined = <T extends object>(value: T): Partial<T> =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as Partial<T>;

/**
 * A site with a what-if in force, from the first day to the last: where it speaks, it overrules the book's revisions and tilt schedules.
 */
export function applyWhatIf(site: Site, whatIf: WhatIf): Site {
  const change = defined(Object.fromEntries(ARRAY_KEYS.map((key) => [key, whatIf[key]]))) as Partial<PvArray>;
  const meant = (id: string): boolean => whatIf.arrayId === null || whatIf.arrayId === id;
  const scale = whatIf.acRatedW === undefined ? 1 : whatIf.acRatedW / (siteAcRatedW(site) || 1);
  const { soilingFrac, albedo } = whatIf;
  return {
    ...site,
    ...(albedo === undefined ? {} : { albedo, albedoMonthly: null }),
    arrays: site.arrays.map((array) =>
      meant(array.id) ? { ...array, ...change, ...("tiltDeg" in change ? { tiltSchedule: [] } : {}) } : array,
    ),
    inverters: site.inverters.map((inverter) => ({ ...inverter, acRatedW: inverter.acRatedW * scale })),
    losses: { ...site.losses, ...(soilingFrac === undefined ? {} : { soilingFrac, soilingMonthlyFrac: null }) },
    models: { ...site.models, ...defined(whatIf.models ?? {}), ...(soilingFrac === undefined ? {} : { soiling: "fixed" }) } as ModelChoices,
    revisions: site.revisions.map((revision) => ({ ...revision, change: withoutOverruled(revision.change, change, meant, whatIf) })),
  };
}

/** A revision's change without the fields that a what-if holds. */
function withoutOverruled(
  change: Readonly<Record<string, unknown>>,
  held: Partial<PvArray>,
  meant: (id: string) => boolean,
  whatIf: WhatIf,
): Record<string, unknown> {
  const overruled = new Set<string>([...Object.keys(held), ...("tiltDeg" in held ? ["tiltSchedule"] : [])]);
  const out: Record<string, unknown> = { ...change };
  if (Array.isArray(change.arrays)) {
    out.arrays = (change.arrays as Record<string, unknown>[]).map((array) =>
      meant(String(array.id)) ? Object.fromEntries(Object.entries(array).filter(([key]) => !overruled.has(key))) : array,
    );
  }
  if (whatIf.albedo !== undefined) delete out.albedo;
  if (whatIf.soilingFrac !== undefined && typeof out.losses === "object") {
    const { soilingFrac: _soiling, ...losses } = out.losses as Record<string, unknown>;
    out.losses = losses;
  }
  return out;
}
