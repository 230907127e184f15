import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { skyWithoutFile } from "../weather";
import { prepareWeather } from "../yield";
import { ageingSpeed, GEAR_PLACES, type GearStanding, gearGround, gearTempC, gearYear, lifeFrac } from ".";

const constant = (value: number, count = 24 * 20) => new Float64Array(count).fill(value);
const hours = (change: Partial<Parameters<typeof gearTempC>[1]> = {}) => ({
  airTempC: constant(20),
  roofWm2: constant(0),
  wallsWm2: constant(0),
  sunnyWallWm2: constant(0),
  heatW: constant(0),
  stepHours: 1,
  ...change,
});
const stands = (change: Partial<GearStanding> = {}): GearStanding => ({
  place: "metal-shed",
  colour: "dark",
  isShaded: false,
  airing: "closed",
  ...change,
});
const settled = (standing: GearStanding, change: Partial<Parameters<typeof gearTempC>[1]> = {}): number =>
  gearTempC(standing, hours(change)).at(-1)!;
const sunny = { roofWm2: constant(900), wallsWm2: constant(250), sunnyWallWm2: constant(600) };

describe("the air around gear", () => {
  it.each(GEAR_PLACES)("%s: is that of the place without sun and heat", (place) => {
    expect(settled(stands({ place }))).toBeCloseTo(20, 6);
  });

  it("is over the outer air by the balance of its surfaces, which can be reckoned by hand", () => {
    // By hand: 30 m2 x 5.9, 12 m3 x 0.5/h x 0.33, ground 4 W/K.
    const solAir = 20 + (0.9 / 17) * (0.25 * 900 + 0.75 * 250);
    const [envelope, air, ground] = [30 * 5.9, 12 * 0.5 * 0.33, 4];
    expect(settled(stands(), sunny)).toBeCloseTo((envelope * solAir + air * 20 + ground * 20) / (envelope + air + ground), 6);
  });

  it("is cooler lighter, shaded, aired, and coolest in a cellar", () => {
    const dark = settled(stands(), sunny);
    expect(settled(stands({ colour: "light" }), sunny)).toBeLessThan(dark - 5);
    expect(settled(stands({ isShaded: true }), sunny)).toBeLessThan(dark - 10);
    expect(settled(stands({ airing: "fan" }), sunny)).toBeLessThan(dark - 5);
    expect(settled(stands({ place: "cellar" }), sunny)).toBeLessThan(settled(stands({ place: "garage" }), sunny));
  });

  it("outside in the sun is some ten kelvin warmer, as installers are told", () => {
    const over = settled(stands({ place: "outside-sun", colour: "middle" }), sunny) - 20;
    expect(over).toBeGreaterThan(5);
    expect(over).toBeLessThan(15);
  });

  it("is heated by what the gear gives off, most in a box", () => {
    const heat = { heatW: constant(200) };
    expect(settled(stands({ place: "metal-box" }), heat)).toBeGreaterThan(26);
    expect(settled(stands({ place: "metal-box", airing: "fan" }), heat)).toBeLessThan(settled(stands({ place: "metal-box" }), heat));
    expect(settled(stands({ place: "garage" }), heat)).toBeLessThan(22);
  });
});

describe("a battery's life", () => {
  it("is halved by 8.3 K in lead, and by some ten in lithium", () => {
    expect(ageingSpeed("lead", 25)).toBe(1);
    expect(ageingSpeed("lead", 33.3)).toBeCloseTo(2, 9);
    expect(ageingSpeed("lithium", 25)).toBeCloseTo(1, 12);
    expect(ageingSpeed("lithium", 35)).toBeGreaterThan(1.9);
    expect(ageingSpeed("lithium", 35)).toBeLessThan(2.4);
  });

  it("is that of its hours together: hot ones weigh more than cold ones spare", () => {
    expect(lifeFrac("lead", [25])).toBe(1);
    expect(lifeFrac("lead", [16.7, 33.3])).toBeCloseTo(2 / 2.5, 6);
    expect(lifeFrac("lead", [5])).toBe(1);
  });
});

describe("a year of gear", () => {
  const roof = site({});
  const ground = gearGround(roof, prepareWeather(roof.place, skyWithoutFile("mediterranean", roof.place)), 0.96);
  const limit = { ratedW: 6000, fullToC: 40, perKFrac: 0.03 };

  it("knows its heat, its frost and what the heat holds back", () => {
    const shed = gearYear(stands(), ground, limit, 1);
    const shade = gearYear(stands({ place: "outside-shade" }), ground, limit, 1);
    expect(shed.hottestC).toBeGreaterThan(shade.hottestC + 8);
    expect(shed.hotHours).toBeGreaterThan(shade.hotHours);
    expect(shed.deratedKwh).toBeGreaterThan(shade.deratedKwh);
    expect(shed.lifeFrac.lead).toBeLessThan(shade.lifeFrac.lead);
    expect(shed.monthsHottestC).toHaveLength(12);
    expect(shed.monthsHottestC[6]!).toBeGreaterThan(shed.monthsHottestC[0]!);
  });

  it("loses nothing to a rating that heat does not touch", () => {
    expect(gearYear(stands(), ground, { ...limit, fullToC: 90 }, 1).deratedKwh).toBeCloseTo(0, 6);
  });
});
