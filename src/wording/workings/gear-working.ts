import type { GearStanding, GearYear, HeatLimit } from "@/core/gear";
import { measure, number, percent } from "../format";
import { AIRING_NAMES, COLOUR_NAMES, GEAR_PLACE_NAMES } from "../screens/calculators-gear";
import type { SunTold } from "../sun-told";
import type { Working } from "./working";

/** How the heat around gear, and what it takes, came about. */
export const gearWorking = (standing: GearStanding, year: GearYear, limit: HeatLimit, sun: SunTold): Working => ({
  title: `The gear ${GEAR_PLACE_NAMES[standing.place]}`,
  value: measure(year.hottestC, "°C", 1),
  unit: "at the hottest hour",
  formula:
    "T = (UA × (air + α G ÷ h) + ventilation × air + ground × mean + heat) ÷ (UA + ventilation + ground), followed with the space's lag",
  inputs: [
    { name: "Sun and air", value: sun.name, from: sun.from },
    {
      name: "It is",
      value: [COLOUR_NAMES[standing.colour], standing.isShaded ? "shaded" : "in the sun", AIRING_NAMES[standing.airing]].join(", "),
      from: "this bench",
    },
    { name: "Mean of the year", value: measure(year.meanC, "°C", 1), from: "the same hours" },
    { name: "Hours over the limit", value: number(year.hotHours), from: `full rating up to ${measure(limit.fullToC, "°C")}` },
    {
      name: "Held back",
      value: `${number(year.deratedKwh, 1)} kWh`,
      from: `power over ${number(limit.ratedW)} W × (1 − ${percent(limit.perKFrac, 1)} a kelvin)`,
    },
    {
      name: "Battery's life, lead",
      value: percent(year.lifeFrac.lead, 0),
      from: "mean of 2^((T − 25) ÷ 8.3), turned over: IEEE Std 1188-2005",
    },
    {
      name: "Battery's life, lithium",
      value: percent(year.lifeFrac.lithium, 0),
      from: "Arrhenius, 31.7 kJ/mol, power 0.55: Wang et al., 2011",
    },
  ],
  source: "ASHRAE, 2021, Handbook: Fundamentals, ch. 14 and 18 (sol-air temperature; balance of a space); ISO 6946:2017 (conductances).",
  assumptions: [
    "A space of usual size and build; own judgement, within some 5 K.",
    "No life beyond that at 25 °C is promised.",
    "Cycling, depth of discharge and charge voltage age a battery besides its heat.",
  ],
});

interface Mended {
  readonly savedKwh: number;
  readonly moreYears: number;
  readonly worth: number | null;
  readonly option: { readonly name: string; readonly isMoved: boolean };
}

interface MendTerms {
  readonly price: number | null;
  readonly battery: { readonly years: number | null; readonly cost: number | null } | null;
  readonly cableKwh: number;
}

/** What a mend brings a year. */
export const mendWorking = ({ option, savedKwh, moreYears, worth }: Mended, { price, battery, cableKwh }: MendTerms): Working => ({
  title: `The gear ${option.name}`,
  value: number(savedKwh, 1),
  unit: "kWh a year",
  formula:
    "held back as it stands − held back so − lost in more cable;  worth = energy × price + cost of a battery × (1 ÷ its life now − 1 ÷ its life so)",
  inputs: [
    {
      name: "Lost in more cable",
      value: `${number(option.isMoved ? cableKwh : 0, 1)} kWh`,
      from: option.isMoved ? "I² R over the year" : "it stays where it is",
    },
    { name: "A kilowatt-hour", value: price === null ? "not known" : number(price, 4), from: "the book, or what was typed" },
    {
      name: "Battery",
      value: battery?.years == null ? "not known" : `${number(moreYears, 1)} years more`,
      from: battery?.cost == null ? "its cost is not known" : `a new one costs ${number(battery.cost)}`,
    },
    { name: "Worth", value: worth === null ? "not known" : number(worth, 2), from: "a year" },
  ],
  source: "The balance of the space, twice; Ohm's law.",
  assumptions: ["What the mend itself costs is not in it."],
});
