import type { PlaneYear } from "@/contracts/plane-year";
import { legLengthM } from "@/core/geometry";
import type { Rack } from "@/core/site";
import { LATE_DAYS, type Moment, type TiltGoal, type TiltPlan, type TiltStep, type TriedPlane } from "@/core/tilt";
import { number } from "../format";
import { dayName, monthOfYear } from "../geometry";
import type { SunTold } from "../sun-told";
import type { Working } from "./working";

const METHOD_SOURCE: Readonly<Record<TiltPlan["method"], string>> = {
  "as-is": "The rack as the book has it, through the chain.",
  latitude: "Rule of thumb: latitude less the sun's declination in each span (Duffie & Beckman, 2013).",
  "latitude-15": "Rule of thumb: latitude, fifteen degrees flatter in summer and steeper in winter (Duffie & Beckman, 2013).",
  polynomial: "Jacobson & Jadhav, 2018, eq. 1 and 2.",
  simulated: "Dynamic programming over tilts and dates (Bellman, 1957) on the site's own year.",
};

/** How the energy of a plan of tilts came about. */
export function planWorking(plan: TiltPlan, sun: SunTold, goal: TiltGoal): Working {
  return {
    title: plan.positions === 0 ? "The rack as it is" : `Tilts by ${plan.method === "simulated" ? "simulation" : plan.method}`,
    value: number(plan.yearKwh, 1),
    unit: "kWh",
    formula: "Σ over days of the energy that the whole chain gives at the tilt of the day",
    inputs: [
      {
        name: "Tilts",
        value: plan.steps.map((step) => `${step.from}: ${number(step.tiltDeg, 1)}°`).join(", ") || "as the book has them",
        from: "plan",
      },
      { name: "Winter half", value: `${number(plan.winterKwh, 1)} kWh`, from: "the same run" },
      { name: "Least month", value: `${number(plan.leastKwhPerDay, 2)} kWh a day`, from: "the same run" },
      { name: "Weather", value: sun.name, from: sun.from },
    ],
    source: METHOD_SOURCE[plan.method],
    assumptions: [
      `Chosen for: ${goal}. Every tilt from 0° to 90° was run through the chain with shade, heat and inverter.`,
      "One year of weather; another year moves the dates by days, the tilts by a degree or two, and hardly the gain.",
    ],
  };
}

/** One way of standing at one minute, and what its sky gives. */
interface MomentOf {
  readonly moment: Moment;
  readonly plane: TriedPlane;
  readonly expectedW: number;
}

const planeWords = ({ tiltDeg, azimuthDeg }: TriedPlane): string => `${number(tiltDeg, 1)}° toward ${number(azimuthDeg)}°`;
const clockWords = ({ utcMs }: Moment): string => new Date(utcMs).toISOString().slice(0, 16).replace("T", " ");

/** How the power of a moment came about. */
export function momentWorking(first: MomentOf, second: MomentOf, zone: string): Working {
  const { ghiWm2, airTempC } = first.moment;
  return {
    title: "Power at this moment",
    value: number(second.expectedW),
    unit: "W",
    formula: "one minute of the chain, for either way of standing",
    inputs: [
      { name: "Moments", value: `${clockWords(first.moment)}; ${clockWords(second.moment)}`, from: `UTC; the site's clock is ${zone}` },
      {
        name: "Light on the level",
        value: ghiWm2 === null ? "cloudless sky" : `${number(ghiWm2)} W/m²`,
        from: ghiWm2 === null ? "Ineichen & Perez, 2002, turbidity 3" : "typed",
      },
      { name: `At ${planeWords(first.plane)}`, value: `${number(first.expectedW)} W`, from: "the chain" },
      { name: `At ${planeWords(second.plane)}`, value: `${number(second.expectedW)} W`, from: "the chain" },
      { name: "Air", value: `${number(airTempC)} °C`, from: "typed" },
    ],
    source:
      "The chain of the Yield chapter, on one minute. Right within 10 %: Reno, Hansen & Stein, 2012, Global horizontal irradiance clear sky models.",
    assumptions: [
      "The array alone on its inverter.",
      "Two readings are held against each other within 5 %: a steady sky drifts a little, and a display rounds.",
      "A gain at one low sun says little of the year: see the table.",
    ],
  };
}

/** How long the leg of a rack is at a tilt. */
export const legWorking = (rack: Rack, tiltDeg: number): Working => ({
  title: `Leg at ${number(tiltDeg, 1)}°`,
  value: number(legLengthM(rack, tiltDeg), 4),
  unit: "m",
  formula: "√(frame² + base² − 2 × frame × base × cos(tilt))",
  inputs: [
    { name: "Hinge to leg, along the frame", value: `${number(rack.frameM, 3)} m`, from: "this bench" },
    { name: "Hinge to leg's foot, on the base", value: `${number(rack.baseM, 3)} m`, from: "this bench" },
    { name: "Tilt", value: `${number(tiltDeg, 1)}°`, from: "plan" },
  ],
  source: "Law of cosines.",
  assumptions: ["From bolt to bolt; the base lies level."],
});

/** What a late change costs, week by week. */
export const lateWorking = (step: TiltStep, lateKwh: readonly number[]): Working => ({
  title: `The change of ${dayName(step.from)}, made late`,
  value: number(lateKwh[0] ?? 0, 2),
  unit: "kWh for a week",
  formula: "year by the plan − year with this one date moved",
  inputs: LATE_DAYS.map((days, k) => ({
    name: `${days / 7} ${days === 7 ? "week" : "weeks"}`,
    value: `${number(lateKwh[k] ?? 0, 2)} kWh`,
    from: "the same table of tilts and days",
  })),
  source: "The simulation of the planner.",
  assumptions: ["The other changes are made on their days. It is little around the best day and grows with the square of the delay."],
});

/** The year of one way to place the modules. */
export const wayWorking = (name: string, { yearKwh, winterKwh, monthsKwh }: PlaneYear, sun: SunTold): Working => ({
  title: `Expected ${name}`,
  value: number(yearKwh, 1),
  unit: "kWh",
  formula: "Σ of the months at the meter, by the whole chain",
  inputs: [
    { name: "Weather", value: sun.name, from: sun.from },
    { name: "Winter half", value: `${number(winterKwh, 1)} kWh`, from: "the same run" },
    ...monthsKwh.map((kwh, m) => ({ name: monthOfYear(m), value: `${number(kwh, 1)} kWh`, from: "the same run" })),
  ],
  source: "The chain of the Yield chapter, with the modules placed as the row says.",
  assumptions: ["A rack in the open leaves the site's obstacles behind and keeps its horizon."],
});

/** What a difference of energy is worth. */
export const worthWorking = (name: string, differenceKwh: number, pricePerKwh: number): Working => ({
  title: `Worth of ${name}`,
  value: number(differenceKwh * pricePerKwh, 2),
  unit: "a year",
  formula: "difference × (used share × price bought + sold share × price sold)",
  inputs: [
    { name: "Difference", value: `${number(differenceKwh, 1)} kWh`, from: "this bench" },
    { name: "A kilowatt-hour", value: number(pricePerKwh, 4), from: "site chapter: price" },
  ],
  source: "Prices as the book has them today.",
  assumptions: ["Used and sold shares stay as they are; no rise of the price, no cost."],
});
