import { type PlanDocument, planSchema } from "@/contracts/tariff";

/** A band as typed: hours as "7-20, 22-24", prices as "0.27" or "300: 0.21; 0.28" for tiers. */
export interface BandDraft {
  readonly name: string;
  readonly days: string;
  readonly hours: string;
  readonly prices: string;
}

export interface SeasonDraft {
  readonly name: string;
  /** "4-9", "10-3", "1, 2, 12". */
  readonly months: string;
  readonly bands: readonly BandDraft[];
}

export interface PlanDraft extends Omit<PlanDocument, "seasons" | "holidays" | "taxes" | "levies" | "risePerYearFrac"> {
  readonly seasons: readonly SeasonDraft[];
  readonly holidays: string;
  readonly taxPercent: string;
  readonly levyPerKwh: string;
  readonly risePercent: string;
}

export function draftOf(plan: PlanDocument): PlanDraft {
  const { seasons, holidays, taxes, levies, risePerYearFrac, ...rest } = plan;
  return {
    ...rest,
    holidays: holidays.join(", "),
    taxPercent: percentText(taxes.reduce((sum, { frac }) => sum + frac, 0)),
    levyPerKwh: levies.length === 0 ? "" : String(levies.reduce((sum, { perKwh }) => sum + Number(perKwh), 0)),
    risePercent: percentText(risePerYearFrac),
    seasons: seasons.map((season) => ({
      name: season.name,
      months: rangesOf(season.months),
      bands: season.bands.map((band) => ({
        name: band.name,
        days: band.days,
        hours: band.hours.map(([from, to]) => `${from}-${to}`).join(", "),
        prices: band.tiers.map(({ upToKwh, perKwh }) => (upToKwh === null ? perKwh : `${upToKwh}: ${perKwh}`)).join("; "),
      })),
    })),
  };
}

const percentText = (share: number): string => (share === 0 ? "" : String(Number((share * 100).toFixed(4))));

/** The plan that a draft means; its faults by where they stand. `before` keeps what the editor does not show apart. */
export function planOfDraft(draft: PlanDraft, before: PlanDocument | null): { plan: PlanDocument | null; faults: string[] } {
  const { seasons, holidays, taxPercent, levyPerKwh, risePercent, ...rest } = draft;
  const unchanged = before && draftOf(before);
  const parsed = planSchema.safeParse({
    ...rest,
    holidays: holidays.split(/[\s,;]+/).filter(Boolean),
    taxes:
      unchanged?.taxPercent === taxPercent
        ? before!.taxes
        : taxPercent.trim() === ""
          ? []
          : [{ name: "tax", frac: Number(dotted(taxPercent)) / 100 }],
    levies:
      unchanged?.levyPerKwh === levyPerKwh
        ? before!.levies
        : levyPerKwh.trim() === ""
          ? []
          : [{ name: "levy", perKwh: dotted(levyPerKwh) }],
    risePerYearFrac: risePercent.trim() === "" ? 0 : Number(dotted(risePercent)) / 100,
    seasons: seasons.map((season) => ({
      name: season.name,
      months: monthsOf(season.months),
      bands: season.bands.map((band) => ({ name: band.name, days: band.days, hours: hoursOf(band.hours), tiers: tiersOf(band.prices) })),
    })),
  });
  if (parsed.success) return { plan: parsed.data, faults: [] };
  return { plan: null, faults: parsed.error.issues.map((issue) => `${placeOf(issue.path, draft)}: ${issue.message}.`) };
}

const PLACEHOLDER = "1";

/** A draft with a price wherever none is typed yet: what is wrong with it still is more than its prices. */
export function priced(draft: PlanDraft): PlanDraft {
  // Where nothing stands at a tier's place: at the beginning, or behind ":" and ";".
  const filled = (prices: string): string => prices.replace(/(^|[:;])\s*(?=;|$)/g, `$1${PLACEHOLDER}`);
  return {
    ...draft,
    seasons: draft.seasons.map((season) => ({
      ...season,
      bands: season.bands.map((band) => ({ ...band, prices: filled(band.prices) })),
    })),
    demand: draft.demand && { ...draft.demand, perKw: draft.demand.perKw || PLACEHOLDER },
    credit: { ...draft.credit, perKwh: draft.credit.perKwh === "" ? PLACEHOLDER : draft.credit.perKwh },
  };
}

/**
 * The seasons and bands that a draft means, whatever its prices: where one is not typed yet, bands with hours of their own stand for the dearer. Null
 * while months or hours can't be read.
 */
export function shapeOfDraft(draft: PlanDraft): Pick<PlanDocument, "seasons"> | null {
  const isPriced = draft.seasons.every(({ bands }) =>
    bands.every(({ prices }) => tiersOf(prices).every(({ perKwh }) => /\d/.test(perKwh)) && prices.trim() !== ""),
  );
  const seasons = draft.seasons.map((season) => ({
    ...season,
    name: season.name.trim() || "season",
    bands: season.bands.map((band) => ({
      ...band,
      name: band.name.trim() || "band",
      prices: isPriced ? band.prices : band.hours.trim() === "" ? "1" : "2",
    })),
  }));
  const { plan } = planOfDraft({ ...draftOf(freshPlan(draft.id, "2024-01-01")), seasons }, null);
  return plan;
}

const dotted = (text: string): string => text.trim().replace(",", ".");

function placeOf(path: readonly PropertyKey[], { seasons }: PlanDraft): string {
  if (path[0] !== "seasons") return String(path[0] ?? "plan");
  const season = seasons[Number(path[1])];
  const band = path[2] === "bands" ? season?.bands[Number(path[3])] : undefined;
  return [season?.name, band?.name, path.at(-1) === "perKwh" ? "price" : String(path[2] === "bands" ? (path[4] ?? "") : (path[2] ?? ""))]
    .filter(Boolean)
    .join(", ");
}

function monthsOf(text: string): number[] {
  return text
    .split(/[,;\s]+/)
    .filter(Boolean)
    .flatMap((part) => {
      const [from, to = from] = part.split("-").map(Number) as [number, number?];
      if (!(from >= 1 && from <= 12 && to >= 1 && to <= 12)) return [Number.NaN];
      return Array.from({ length: ((to - from + 12) % 12) + 1 }, (_, k) => ((from - 1 + k) % 12) + 1);
    })
    .sort((a, b) => a - b);
}

function rangesOf(months: readonly number[]): string {
  const sorted = [...months].sort((a, b) => a - b);
  const runs: [number, number][] = [];
  for (const month of sorted) {
    const last = runs.at(-1);
    if (last && month === last[1] + 1) last[1] = month;
    else runs.push([month, month]);
  }
  const [first, final] = [runs[0], runs.at(-1)];
  // A season over the turn of the year reads as one stretch.
  if (runs.length > 1 && first?.[0] === 1 && final?.[1] === 12) {
    runs.pop();
    first[0] = final[0];
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}-${to}`)).join(", ");
}

const hoursOf = (text: string): [number, number][] =>
  text
    .split(/[,;]+/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => {
      const [from, to] = part.split("-").map((value) => clockHour(value));
      return [from ?? Number.NaN, to ?? Number.NaN];
    });

function clockHour(text: string): number {
  const [hours, minutes = "0"] = text.trim().split(":");
  return Number(dotted(hours ?? "")) + Number(minutes) / 60;
}

const tiersOf = (text: string): { upToKwh: number | null; perKwh: string }[] =>
  text
    .split(";")
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => {
      const [limit, price] = part.includes(":") ? part.split(":") : [null, part];
      return { upToKwh: limit === null ? null : Number(dotted(limit)), perKwh: dotted(price ?? "") };
    });

/** A plan of one price all day, as the ground of a draft. */
export const freshPlan = (id: string, from: string): PlanDocument =>
  planSchema.parse({
    id,
    name: "New plan",
    from,
    seasons: [{ name: "year", months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], bands: [{ name: "all day", tiers: [{ perKwh: "0.25" }] }] }],
  });
