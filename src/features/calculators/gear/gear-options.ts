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
  /** Its kind, its years at 25 C and what a new one costs; null without one. */
  readonly battery: { readonly kind: BatteryKind; readonly years: number; readonly cost: number | null } | null;
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

/** What an option brings against as it stands. */
export function mendOf(now: GearYear, year: GearYear, option: GearOption, { price, battery, cableKwh }: Terms): Mend {
  const savedKwh = now.deratedKwh - year.deratedKwh - (option.isMoved ? cableKwh : 0);
  const [before, after] = battery ? [now, year].map(({ lifeFrac }) => battery.years * lifeFrac[battery.kind]) : [0, 0];
  const moreYears = (after ?? 0) - (before ?? 0);
  const spared = battery?.cost && before && after ? battery.cost / before - battery.cost / after : 0;
  const isPriced = price !== null && (battery === null || battery.cost !== null);
  return { option, savedKwh, moreYears, worth: isPriced ? savedKwh * price + spared : null };
}

/** The option that brings most, where one brings anything: by its worth, else by energy and then by years. */
export function bestMend(years: readonly GearYear[], options: readonly GearOption[], terms: Terms): Mend | null {
  const mends = options.slice(1).map((option, k) => mendOf(years[0]!, years[k + 1]!, option, terms));
  const rank = ({ worth, savedKwh, moreYears }: Mend): number => worth ?? (terms.battery ? moreYears : savedKwh);
  const best = mends.reduce<Mend | null>((a, b) => (a && rank(a) >= rank(b) ? a : b), null);
  return best && rank(best) > 0 && (best.savedKwh >= 0.5 || best.moreYears >= 0.05) ? best : null;
}
