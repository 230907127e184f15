import type { PvArray, Site } from "../../../site";
import { type CaseTemplate, everyYear, moneyInput, nameplateW, now, plainSide } from "../template";

const largest = (site: Site): PvArray => site.arrays.reduce((most, array) => (array.count > most.count ? array : most));

const withArray = (site: Site, id: string, change: Partial<PvArray>): Site => ({
  ...site,
  arrays: site.arrays.map((array) => (array.id === id ? { ...array, ...change } : array)),
  revisions: [],
});

const towardsEquator = (site: Site): number => (site.place.latitudeDeg < 0 ? 0 : 180);
const bestFixedDeg = (site: Site): number => Math.round(Math.min(60, Math.abs(site.place.latitudeDeg) * 0.76 + 3.1));

/** On the roof as it is, or on a rack in the open that looks where it should. */
export const roofOrRack: CaseTemplate = {
  id: "roof-or-rack",
  inputsFor: (site) => [
    { key: "tilt", unit: "deg", value: bestFixedDeg(site), least: 0, most: 90 },
    { key: "azimuth", unit: "deg", value: towardsEquator(site), least: 0, most: 359 },
    moneyInput("rack", 0.25 * nameplateW(site)),
    moneyInput("upkeep", 0.004 * nameplateW(site)),
  ],
  async sides(site, figures, simulate, facts) {
    const { id } = largest(site);
    const rack = withArray(site, id, {
      tiltDeg: figures.tilt!,
      azimuthDeg: figures.azimuth!,
      mounting: "open-rack",
      tiltSchedule: [],
      obstacles: [],
    });
    return [
      plainSide({ code: "on-the-roof" }, await simulate(site), facts),
      plainSide({ code: "on-a-ground-rack" }, await simulate({ ...rack, obstacles: [] }), facts, {
        sums: [now("rack", figures.rack!)],
        perYear: [everyYear("mowing", figures.upkeep!)],
      }),
    ];
  },
};

/** Tilts of the year for some changes: the sun's noon height decides. */
const CHANGES: readonly { readonly visits: number; readonly months: readonly number[] }[] = [
  { visits: 2, months: [3, 9] },
  { visits: 4, months: [2, 4, 8, 10] },
  { visits: 12, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] },
];
const MOTOR = CHANGES[2]!;

/** Tilt of a stretch of months: its days' mean noon height, taken to a right angle. Source: Duffie & Beckman, 2013, chapter 2. */
function scheduleOf(site: Site, months: readonly number[]): { from: string; tiltDeg: number }[] {
  return months.map((month, k) => {
    const next = months[(k + 1) % months.length]!;
    const span = (((next - month + 11) % 12) + 12) % 12;
    const tilts = Array.from({ length: span + 1 }, (_, m) => noonTilt(site.place.latitudeDeg, ((month - 1 + m) % 12) + 0.5));
    const mean = tilts.reduce((a, b) => a + b, 0) / tilts.length;
    return { from: `${String(month).padStart(2, "0")}-01`, tiltDeg: Math.round(Math.max(0, Math.min(85, mean))) };
  });
}

/** Tilt that catches most around noon, less a little since the sun climbs in the hours beside it in summer. */
function noonTilt(latitudeDeg: number, monthOfYear: number): number {
  const declination = -23.45 * Math.cos((2 * Math.PI * (monthOfYear + 0.33)) / 12);
  const zenith = latitudeDeg < 0 ? -latitudeDeg + declination : latitudeDeg - declination;
  return zenith < 25 ? zenith * 0.8 : zenith;
}

/** Fixed, or tilted by hand some times a year, or by a motor. */
export const tiltPositions: CaseTemplate = {
  id: "tilt-positions",
  inputsFor: (site) => [
    { key: "fixed", unit: "deg", value: largest(site).tiltDeg, least: 0, most: 90 },
    moneyInput("rack", 0.06 * nameplateW(site)),
    moneyInput("visit", 25 + 0.0015 * nameplateW(site)),
    moneyInput("motor", 0.14 * nameplateW(site)),
    moneyInput("service", 0.003 * nameplateW(site)),
  ],
  async sides(site, figures, simulate, facts) {
    const { id } = largest(site);
    const fixed = withArray(site, id, { tiltDeg: figures.fixed!, tiltSchedule: [] });
    const sides = [plainSide({ code: "fixed" }, await simulate(fixed), facts)];
    for (const { visits, months } of CHANGES) {
      const turned = withArray(fixed, id, { tiltSchedule: scheduleOf(site, months) });
      const kwh = await simulate(turned);
      sides.push(
        plainSide({ code: "tilted", timesAYear: visits }, kwh, facts, {
          sums: [now("tilting-rack", figures.rack!)],
          perYear: [everyYear("visits", visits * figures.visit!)],
        }),
      );
      if (visits === MOTOR.visits)
        sides.push(
          plainSide({ code: "by-a-motor" }, kwh, facts, {
            sums: [now("motor", figures.rack! + figures.motor!)],
            perYear: [everyYear("service", figures.service!)],
          }),
        );
    }
    return sides;
  },
};

/** Turn or move what is there. */
export const turnIt: CaseTemplate = {
  id: "turn",
  inputsFor: (site) => [
    { key: "tilt", unit: "deg", value: bestFixedDeg(site), least: 0, most: 90 },
    { key: "azimuth", unit: "deg", value: towardsEquator(site), least: 0, most: 359 },
    moneyInput("work", 400 + 0.08 * nameplateW(site)),
  ],
  async sides(site, figures, simulate, facts) {
    const turned = withArray(site, largest(site).id, { tiltDeg: figures.tilt!, azimuthDeg: figures.azimuth!, tiltSchedule: [] });
    return [
      plainSide({ code: "as-it-stands" }, await simulate(site), facts),
      plainSide({ code: "turned" }, await simulate(turned), facts, { sums: [now("the-work", figures.work!)] }),
    ];
  },
};
