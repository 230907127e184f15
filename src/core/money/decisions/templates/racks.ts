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
  name: "Roof or ground rack",
  question: "Would the largest array pay for a rack on the ground that looks the right way and stays cooler?",
  caution: null,
  notFor: "",
  inputsFor: (site) => [
    { key: "tilt", label: "Tilt of the rack", unit: "deg", value: bestFixedDeg(site), least: 0, most: 90 },
    { key: "azimuth", label: "Azimuth of the rack", unit: "deg", value: towardsEquator(site), least: 0, most: 359 },
    moneyInput("rack", "Rack, footings, trench and cable", 0.25 * nameplateW(site)),
    moneyInput("upkeep", "Mowing and fence, a year", 0.004 * nameplateW(site)),
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
      plainSide("On the roof", await simulate(site), facts),
      plainSide("On a ground rack", await simulate({ ...rack, obstacles: [] }), facts, {
        sums: [now("rack", figures.rack!)],
        perYear: [everyYear("mowing", figures.upkeep!)],
      }),
    ];
  },
};

/** Tilts of the year for some changes: the sun's noon height decides. */
const CHANGES: readonly { readonly name: string; readonly visits: number; readonly months: readonly number[] }[] = [
  { name: "Tilted twice a year", visits: 2, months: [3, 9] },
  { name: "Tilted four times a year", visits: 4, months: [2, 4, 8, 10] },
  { name: "Tilted every month", visits: 12, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] },
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
  name: "Fixed or tilted",
  question: "Is a rack that is tilted 2, 4 or 12 times a year, or by a motor, worth its visits?",
  caution: "Wind and pinching: two people, and only in calm weather.",
  notFor: "",
  inputsFor: (site) => [
    { key: "fixed", label: "Fixed tilt", unit: "deg", value: largest(site).tiltDeg, least: 0, most: 90 },
    moneyInput("rack", "A rack that tilts, more than a fixed one", 0.06 * nameplateW(site)),
    moneyInput("visit", "A change of tilt by hand", 25 + 0.0015 * nameplateW(site)),
    moneyInput("motor", "Motor and control", 0.14 * nameplateW(site)),
    moneyInput("service", "Motor's service, a year", 0.003 * nameplateW(site)),
  ],
  async sides(site, figures, simulate, facts) {
    const { id } = largest(site);
    const fixed = withArray(site, id, { tiltDeg: figures.fixed!, tiltSchedule: [] });
    const sides = [plainSide("Fixed", await simulate(fixed), facts)];
    for (const { name, visits, months } of CHANGES) {
      const turned = withArray(fixed, id, { tiltSchedule: scheduleOf(site, months) });
      const kwh = await simulate(turned);
      sides.push(
        plainSide(name, kwh, facts, {
          sums: [now("tilting rack", figures.rack!)],
          perYear: [everyYear("visits", visits * figures.visit!)],
        }),
      );
      if (visits === MOTOR.visits)
        sides.push(
          plainSide("By a motor", kwh, facts, {
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
  name: "Move or turn",
  question: "Would turning or moving the largest array pay?",
  caution: "Work at height and wind load: the rack's maker and local code decide what it bears.",
  notFor: "",
  inputsFor: (site) => [
    { key: "tilt", label: "New tilt", unit: "deg", value: bestFixedDeg(site), least: 0, most: 90 },
    { key: "azimuth", label: "New azimuth", unit: "deg", value: towardsEquator(site), least: 0, most: 359 },
    moneyInput("work", "The work", 400 + 0.08 * nameplateW(site)),
  ],
  async sides(site, figures, simulate, facts) {
    const turned = withArray(site, largest(site).id, { tiltDeg: figures.tilt!, azimuthDeg: figures.azimuth!, tiltSchedule: [] });
    return [
      plainSide("As it stands", await simulate(site), facts),
      plainSide("Turned", await simulate(turned), facts, { sums: [now("the work", figures.work!)] }),
    ];
  },
};
