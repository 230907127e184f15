import { DateTime } from "luxon";
import type { CauseFinding, CauseKind } from "@/core/attribution";
import { editable } from "../format";

/** A cause for people: its name, what it is, and why it is believed. */
export interface CauseWords {
  readonly title: string;
  readonly what: string;
  readonly evidence: string;
}

/** A finding as the search gives it, or as it is stored: what can't be told is null there. */
export type WordableCause = Pick<CauseFinding, "kind" | "kwh" | "fromUtcMs" | "toUtcMs"> & {
  readonly facts: Readonly<Record<string, number | string | null>>;
};

type Facts = WordableCause["facts"];
type Fact = number | string | null | undefined;

const n = (value: Fact, digits = 0): string => editable(Number(value ?? 0), digits, true);
const percent = (value: Fact, digits = 1): string => `${n(Number(value ?? 0) * 100, digits)} %`;
const about = (kwh: number | null): string => (kwh === null ? "" : ` Gained if removed: about ${n(kwh)} kWh at the meter.`);

/** "38° west of north" and the like. */
export function bearingWords(azimuthDeg: number): string {
  const azimuth = ((azimuthDeg % 360) + 360) % 360;
  const nearest = Math.round(azimuth / 90) % 4;
  const names = ["north", "east", "south", "west"] as const;
  const off = ((azimuth - nearest * 90 + 540) % 360) - 180;
  if (Math.abs(off) < 0.5) return names[nearest]!;
  const side = off > 0 ? names[(nearest + 1) % 4]! : names[(nearest + 3) % 4]!;
  return `${n(Math.abs(off))}° ${side} of ${names[nearest]}`;
}

/** What a plane acts like, in what the book has wrong of it. */
function planeWords(f: Facts): string {
  const half = (low: Fact, high: Fact): string => `±${n((Number(high) - Number(low)) / 2)}°`;
  const bearing = `${bearingWords(Number(f.azimuthDeg) + Number(f.azimuthOffsetDeg))}, ${half(f.azimuthOffsetLowDeg, f.azimuthOffsetHighDeg)}`;
  const tilt = `a tilt of ${n(Math.max(0, Math.min(90, Number(f.tiltDeg) + Number(f.tiltOffsetDeg))))}°, ${half(f.tiltOffsetLowDeg, f.tiltOffsetHighDeg)}`;
  const [book, bookTilt] = [bearingWords(Number(f.azimuthDeg)), `${n(f.tiltDeg)}°`];
  if (f.wrong === "tilt") return `Acts like ${tilt}; the book says ${bookTilt}.`;
  if (f.wrong === "both") return `Acts like ${bearing}, and ${tilt}; the book says ${book} and ${bookTilt}.`;
  return `Acts like ${bearing}; the book says ${book}.`;
}

const PART_WORDS: Readonly<Record<string, (f: Facts) => string>> = {
  strings: (f) => `${n(f.out)} of ${n(f.of)} strings gave nothing`,
  inverter: () => "one inverter gave nothing",
  modules: (f) => `${n(f.out)} of ${n(f.of)} modules gave nothing`,
};

const CATALOGUE: Readonly<Record<CauseKind, (f: Facts, finding: WordableCause, when: string) => CauseWords>> = {
  outage: (f, x, when) => ({
    title: "Outage",
    what: `The plant stood still ${when}.${about(x.kwh)}`,
    evidence: `${n(f.hours)} h without output under light that asked for it, and no snow that would explain it.`,
  }),
  "held-low": (f, x, when) => ({
    title: f.powerKw === 0 ? "Stopped from outside" : f.isMoved === "yes" ? "Ceiling moved" : "Held below its ceiling",
    what:
      f.powerKw === 0
        ? `The plant stood still ${when}, as the field book says by order from outside.${about(x.kwh)}`
        : f.isMoved === "yes"
          ? `The plant gives no more than ${n(f.powerKw, 1)} kW any longer, ${when.replace(/ to .*/, "")} on.${about(x.kwh)}`
          : `Something held the plant at ${n(f.powerKw, 1)} kW ${when}.${about(x.kwh)}`,
    evidence:
      f.powerKw === 0
        ? `${n(f.days)} days within a limit that the field book gives: curtailment, not downtime.`
        : `The tops of ${n(f.days)} days lie on that power, while the light asked for more and changed: a limit of the grid or of a setting, no cloud and no string.`,
  }),
  derating: (f, x, when) => ({
    title: f.isSpan === "yes" ? "Held back by heat sooner than usual" : "Held back by heat",
    what: `The inverters gave ${percent(f.perKFrac)} less for every kelvin above ${n(f.fromC)} °C at their intake${f.isSpan === "yes" ? ` ${when}` : ""}.${about(x.kwh)}`,
    evidence: `The tops of ${n(f.hours)} hours lie along a line that falls with the warmth of the air, at whatever the light asked for: modules lose in proportion, an inverter that protects itself does not.${f.isSpan === "yes" ? " Before and after it began later or not at all: look for a fan that failed or a filter that clogged." : ""}`,
  }),
  "strings-out": (f, x, when) => ({
    title: f.part === "inverter" ? "Inverter out" : f.part === "modules" ? "Modules out" : "String out",
    what: `${(PART_WORDS[String(f.part)] ?? PART_WORDS.strings!)(f)} ${when}${f.restored === "yes" ? "" : ", to the end of the record"}.${about(x.kwh)}`,
    evidence: `The level fell by ${percent(f.measuredFrac)} within a day and stayed; ${percent(f.lostFrac)} is what that part gives${f.restored === "yes" ? ", and it came back within a day" : ""}.`,
  }),
  snow: (f, x, when) => ({
    title: "Snow",
    what: `Snow on the modules on ${n(f.days)} days ${when}.${about(x.kwh)}`,
    evidence: `After each of ${n(f.spells)} falls (${f.gauge === "depth" ? "by the depth gauge" : "precipitation in cold air"}) the output stayed low until it showed the modules bare.`,
  }),
  ceiling: (f, x) => ({
    title: "Ceiling not as rated",
    what: `The plant is held at ${n(Number(f.powerW) / 1000, 1)} kW; by its rating it would be ${n(Number(f.ratedW) / 1000, 1)} kW.${about(x.kwh)}`,
    evidence: `${n(f.heldSteps)} readings lie on this flat top.`,
  }),
  shading: (f, x, when) => ({
    title: "Shading",
    what: `With the sun near ${n(f.azimuthDeg)}° and ${n(f.elevationDeg)}° high the plant gives ${percent(f.ratio, 0)} of what is expected of it${f.isFromADay === "yes" ? `, ${when.replace(/ to .*/, "")} on` : ""}.${about(x.kwh)}`,
    evidence: `It comes back at the same ${n(f.fields)} places of the sky on clear days, and overcast days do not show it.${f.isFromADay === "yes" ? " Before that day these places were open: something was built or planted." : ""}`,
  }),
  orientation: (f) => ({
    title: "Orientation",
    what: planeWords(f),
    evidence: `The curves of ${n(f.days)} clear days miss the book's plane by ${percent(f.bookMissFrac)} and the fitted one by ${percent(f.fittedMissFrac)}; the days' levels through the seasons miss it by ${percent(f.bookLevelFrac)} and ${percent(f.fittedLevelFrac)}. A clock that is off would move mornings and evenings alike: ${n(f.clockMinutes)} min are left for it.`,
  }),
  soiling: (f, x) => ({
    title: "Soiling",
    what: `Dirt grows by ${percent(f.ratePerDayFrac, 2)} a day (${percent(f.rateLowFrac, 2)} to ${percent(f.rateHighFrac, 2)}) and took ${percent(f.meanLostFrac)} of the light, ${percent(f.mostLostFrac)} at worst.${about(x.kwh)}`,
    evidence: `The output declines in dry weather and comes back with rain (${n(f.rains)} times) and cleaning (${n(f.cleanings)} in the field book).`,
  }),
  "unrecorded-cleaning": (f, _x, when) => ({
    title: "Cleaning that nobody wrote down",
    what: `The output rose by ${percent(f.effectFrac)} ${when}.`,
    evidence: "No rain fell that would explain it. Write the cleaning into the field book if there was one; a repair looks alike.",
  }),
  "sensor-dirty": (f, _x, when) => ({
    title: "Light sensor read low",
    what: `The light sensor read ever lower ${when}, by ${percent(f.lowFrac)} at the end: a dirty dome that was then wiped. The plant lost nothing.`,
    evidence: `Metered over expected climbed for ${n(f.days)} days, which no plant does by itself, and fell back within a few; the light of clear days lacked ${percent(f.lightLackFrac)} against those before and after. These weeks are left out of dirt and ageing.`,
  }),
  "sensor-drift": (f) => ({
    title: "Light sensor drifts",
    what: `The irradiance sensor reads ${percent(Math.abs(Number(f.perYearFrac)), 2)} a year ${Number(f.perYearFrac) < 0 ? "less" : "more"} (${percent(f.lowFrac, 2)} to ${percent(f.highFrac, 2)}) against a cloudless sky.`,
    evidence: `From ${n(f.pairs)} pairs of clear days a year apart. Ageing is corrected by ${percent(f.takenFrac, 2)} a year of it; a calibration would settle it.`,
  }),
  ageing: (f) => ({
    title: "Ageing faster than budgeted",
    what: `${percent(f.perYearFrac, 2)} a year (${percent(f.lowFrac, 2)} to ${percent(f.highFrac, 2)}); the book budgets ${percent(f.plannedFrac, 2)}.`,
    evidence: "Read through the weather from days one year apart; see the Ageing chapter.",
  }),
};

/** When a finding was, in the site's time. */
export function whenOf({ fromUtcMs, toUtcMs }: Pick<CauseFinding, "fromUtcMs" | "toUtcMs">, timeZone: string): string {
  const from = DateTime.fromMillis(fromUtcMs, { zone: timeZone });
  const to = DateTime.fromMillis(toUtcMs, { zone: timeZone });
  if (to.diff(from, "hours").hours <= 26 && to.minus({ minutes: 1 }).hasSame(from, "day")) {
    const whole = from.hour === 0 && to.diff(from, "hours").hours >= 23;
    return `on ${from.toFormat("d LLL yyyy")}${whole ? "" : `, ${from.toFormat("HH:mm")} to ${to.toFormat("HH:mm")}`}`;
  }
  const year = from.year === to.year ? "" : " yyyy";
  return `from ${from.toFormat(`d LLL${year}`)} to ${to.toFormat("d LLL yyyy")}`;
}

export const causeInWords = (finding: WordableCause, timeZone: string): CauseWords =>
  CATALOGUE[finding.kind](finding.facts, finding, whenOf(finding, timeZone));
