import { cableSections } from "@/core/electrical";
import type { BatteryKind, GearStanding, GearYear } from "@/core/gear";
import { say } from "@/wording/screens/calculators-gear";

/** A way to stand: as it is, mended, or moved. */
export interface GearOption {
  readonly name: string;
  readonly standing: GearStanding;
  /** Whether it takes more cable. */
  readonly isMoved: boolean;
}

export interface Terms {
  /** What a kilowatt-hour is worth; null where nobody said. */
  readonly price: number | null;
  /** Its kind, its rated years at 25 C and what a new one costs, each null where nobody said; null without one. */
  readonly battery: { readonly kind: BatteryKind; readonly years: number | null; readonly cost: number | null } | null;
  /** Lost a year in the cable that moving takes, kWh. */
  readonly cableKwh: number;
}

/** As it stands, and what could be done about it: nothing that is done already. */
export function optionsFor(standing: GearStanding): GearOption[] {
  const isOutside = standing.place === "outside-sun" || standing.place === "outside-shade";
  const mended: (GearOption | null)[] = [
    { name: say.asItStands, standing, isMoved: false },
    standing.isShaded || standing.place === "outside-shade" || standing.place === "cellar"
      ? null
      : { name: say.shaded, standing: { ...standing, isShaded: true }, isMoved: false },
    isOutside || standing.airing !== "closed"
      ? null
      : { name: say.withOpenings, standing: { ...standing, airing: "openings" }, isMoved: false },
    isOutside || standing.airing === "fan" ? null : { name: say.withAFan, standing: { ...standing, airing: "fan" }, isMoved: false },
    standing.colour === "light" || standing.place === "cellar"
      ? null
      : { name: say.paintedLight, standing: { ...standing, colour: "light" }, isMoved: false },
    standing.place === "outside-shade"
      ? null
      : { name: say.movedToTheShade, standing: { ...standing, place: "outside-shade", isShaded: true }, isMoved: true },
    standing.place === "cellar" ? null : { name: say.movedToACellar, standing: { ...standing, place: "cellar" }, isMoved: true },
  ];
  return mended.filter((option) => option !== null);
}

interface Run {
  readonly lengthM: number;
  readonly areaMm2: number;
  readonly currentA: number;
  readonly voltageV: number;
}

/** Lost a year in so much more cable, kWh; nothing until the year is known. */
export function cableLossKwh({ lengthM, areaMm2, currentA, voltageV }: Run, squaredHours: number | null): number {
  if (squaredHours === null || lengthM <= 0 || areaMm2 <= 0) return 0;
  const free = { lifeValuePerKwhYear: 0, pricePerM: 0, pricePerMm2M: 0, squaredHours };
  const run = { conductor: "copper" as const, oneWayLengthM: lengthM, conductorTempC: 50, currentA, voltageV, ...free };
  return cableSections(run, [areaMm2])[0]!.lossKwhPerYear;
}

export interface Mend {
  readonly option: GearOption;
  /** Energy a year against as it stands, less what its cable loses, kWh. */
  readonly savedKwh: number;
  /** Years that a battery lasts longer. */
  readonly moreYears: number;
  /** Both in money a year; null where a price is missing. */
  readonly worth: number | null;
}

/** Less is not seen: figures stand in whole kilowatt-hours and tenths of a year. */
export const SEEN_KWH = 0.5;
export const SEEN_YEARS = 0.05;

/** Whether an option's worth can be told: a price, and of a battery its rated years and its cost. */
export const isPriced = ({ price, battery }: Terms): boolean =>
  price !== null && (battery === null || (battery.cost !== null && battery.years !== null));

/** What an option brings against as it stands. */
export function mendOf(now: GearYear, year: GearYear, option: GearOption, terms: Terms): Mend {
  const { price, battery, cableKwh } = terms;
  const savedKwh = now.deratedKwh - year.deratedKwh - (option.isMoved ? cableKwh : 0);
  const lasts = ({ lifeFrac }: GearYear): number => (battery?.years ?? 0) * (battery ? lifeFrac[battery.kind] : 0);
  const [before, after] = [lasts(now), lasts(year)];
  const spared = before > 0 && after > 0 ? (battery?.cost ?? 0) * (1 / before - 1 / after) : 0;
  return { option, savedKwh, moreYears: after - before, worth: isPriced(terms) ? savedKwh * (price ?? 0) + spared : null };
}

/** The option that brings most, where one brings anything: by its worth, else by the years of a battery, else by energy. */
export function bestMend(years: readonly GearYear[], options: readonly GearOption[], terms: Terms): Mend | null {
  const mends = options.slice(1).map((option, k) => mendOf(years[0]!, years[k + 1]!, option, terms));
  const rank = ({ worth, savedKwh, moreYears }: Mend): number => worth ?? (terms.battery?.years ? moreYears : savedKwh);
  const best = mends.reduce<Mend | null>((a, b) => (a && rank(a) >= rank(b) ? a : b), null);
  return best && rank(best) > 0 && (best.savedKwh >= SEEN_KWH || best.moreYears >= SEEN_YEARS) ? best : null;
}
