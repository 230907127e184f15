import type { SiteDocument } from "@/contracts/site";
import type { TypedStorm } from "@/core/yield";
import { MONTHS_SHORT } from "@/wording/geometry";
import type { BenchSun } from "../bench-sun";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";

const STEEP: readonly number[] = [60, 90];

interface Question {
  readonly slug: string | null;
  readonly site: SiteDocument;
  readonly sun: BenchSun;
  readonly array: SiteDocument["arrays"][number];
  /** The day that clearing is asked for. */
  readonly day: string;
  readonly typed: readonly TypedStorm[];
}

/** What the winters say of an array: its storms, told by a gauge or by somebody, what clearing on a day brings, and the light of the ground. */
export function useSnow({ slug, site, sun, array, day, typed }: Question) {
  const { engine, refusal } = useBenchEngine(slug, site, { ...sun, year: sun.year === null ? null : "all" });
  const asked = { site, id: array.id };
  const record = useBenchAnswer(engine, asked, async (remote, q) => ({ storms: await remote.storms(q.site, q.id) }));
  const remembered = useBenchAnswer(engine, { ...asked, typed }, (remote, q) => remote.typedStorms(q.site, q.id, q.typed));
  const clearing = useBenchAnswer(engine, { ...asked, day: day.slice(5) }, (remote, q) => remote.clearing(q.site, q.id, q.day));
  const tilts = [array.tiltDeg, ...STEEP.filter((tilt) => tilt !== array.tiltDeg)];
  // Without a gauge the light of the ground is told as if snow lay through the whole winter: the most that there can be.
  const white = record && record.storms === null ? snowyWinter(site) : null;
  const albedo = useBenchAnswer(record ? engine : null, { ...asked, tilts, white }, (remote, q) =>
    remote.albedo(q.site, q.id, q.tilts, q.white),
  );
  const isTyped = typed.length > 0;
  return {
    refusal,
    albedo,
    isTyped,
    storms: isTyped ? remembered : (record?.storms ?? null),
    /** Whether the storms are known, or known to be none. */
    isReady: (isTyped ? remembered : record) !== null,
    clearing: isTyped ? null : clearing,
    isWholeWinter: white !== null,
  };
}

/** Ground under old snow, as a share thrown back. Source: Warren, 1982, Optical properties of snow (fresh 0.85, ageing toward 0.4). */
const OLD_SNOW_ALBEDO = 0.6;
const WINTER_NORTH: readonly number[] = [11, 0, 1];

/** Snow on the ground through the three darkest months. */
const snowyWinter = (site: SiteDocument): number[] =>
  MONTHS_SHORT.map((_, m) =>
    WINTER_NORTH.includes(site.place.latitudeDeg < 0 ? (m + 6) % 12 : m) ? OLD_SNOW_ALBEDO : (site.albedoMonthly?.[m] ?? site.albedo),
  );
