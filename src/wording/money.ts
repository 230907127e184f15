import type { BillFault, PaybackSpread, PlanFault } from "@/core/money";
import { number, percent } from "./format";

/** A fault in words: what was found, what was expected, what to do. */
export interface FaultWords {
  readonly what: string;
  readonly remedy: string;
}

/** The interval of a payback, the same in sentence, table and working: draws that never pay back leave it without an end. */
export function paybackIntervalWords({ low, high }: Pick<PaybackSpread, "low" | "high">): string {
  if (!Number.isFinite(low)) return "not within the horizon";
  return Number.isFinite(high) ? `${number(low, 1)} to ${number(high, 1)} years` : `${number(low, 1)} years to beyond the horizon`;
}

const kwh = (value: number): string => `${Math.round(value * 10) / 10} kWh`;
const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];
const clock = (hour: number): string => `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, "0")}`;

/** Words of what is odd about bills; rows count from 1 below the heads. */
export function billFaultWords(fault: BillFault): FaultWords {
  switch (fault.kind) {
    case "overlap":
      return {
        what: `Bill ${fault.row} starts on ${fault.from}, but bill ${fault.other} runs to ${fault.to}.`,
        remedy: "A day belongs to one bill: correct one of the dates, or remove the bill that was entered twice.",
      };
    case "ends-before-it-starts":
      return { what: `Bill ${fault.row} runs from ${fault.from} to ${fault.to}.`, remedy: "Swap the dates, or correct the year." };
    case "negative-energy":
      return {
        what: `Bill ${fault.row}, ${fault.field}: ${kwh(fault.kwh)}. Energy can't be negative; only an amount may be.`,
        remedy: "Enter what was bought and what was exported in their own columns.",
      };
    case "export-above-production":
      return {
        what: `Bill ${fault.row}: ${kwh(fault.exportKwh)} exported, but only ${kwh(fault.productionKwh)} produced.`,
        remedy: "Look whether the columns are swapped, the production is of other days, or a battery feeds the grid.",
      };
    case "usage-below-import":
      return {
        what: `Bill ${fault.row}: ${kwh(fault.usageKwh)} used, but ${kwh(fault.importKwh)} bought.`,
        remedy: "Use is what was bought plus what the array covered: correct it, or leave it empty.",
      };
    case "bands-miss-import":
      return {
        what: `Bill ${fault.row}: its bands add up to ${kwh(fault.bandedKwh)}, its import is ${kwh(fault.importKwh)}.`,
        remedy: "Correct the one that was mistyped; whole kWh may differ by one a band.",
      };
    case "made-before-the-array":
      return {
        what: `Bill ${fault.row}: ${kwh(fault.productionKwh)} made, but it ends before the array began on ${fault.commissioned}.`,
        remedy: "Correct its dates, or the day of commissioning under Site; else leave production out.",
      };
    case "unbalanced":
      return {
        what: `Bill ${fault.row}: ${kwh(fault.usageKwh)} used, but bought and made less exported are ${kwh(fault.reckonedKwh)}: ${kwh(fault.apartKwh)} apart.`,
        remedy: "One of the four is of other days, or mistyped. Until it is mended what was bought, made and exported count.",
      };
    case "missing":
      return {
        what: `No bill from ${fault.from} to ${fault.to}.`,
        remedy: "These days are estimated and marked; enter the bill when it is found.",
      };
    case "price-far-off":
      return {
        what: `Bill ${fault.row} comes to ${fault.perKwh.toPrecision(3)} a kWh; the others to about ${fault.usualPerKwh.toPrecision(3)}.`,
        remedy: "Look for a slipped decimal point, or cents entered as whole money.",
      };
  }
}

/** Words of what is wrong with a plan. */
export function planFaultWords(fault: PlanFault): FaultWords {
  switch (fault.kind) {
    case "month-without-season":
      return {
        what: `No season holds ${fault.months.map((month) => MONTHS[month - 1]).join(", ")}.`,
        remedy: "Give these months to a season.",
      };
    case "month-in-two-seasons":
      return {
        what: `${MONTHS[fault.month - 1]} stands in ${fault.seasons[0]} and in ${fault.seasons[1]}.`,
        remedy: "Take it out of one of them.",
      };
    case "hours-overlap":
      return {
        what: `${fault.season}: ${fault.bands[0]} and ${fault.bands[1]} both hold ${clock(fault.hour)} on ${fault.day}.`,
        remedy: "Shorten one of the bands, or let it hold on other days.",
      };
    case "hours-not-covered":
      return {
        what: `${fault.season}: no band holds ${clock(fault.from)} to ${clock(fault.to)} on ${fault.day}.`,
        remedy: "Widen a band, or leave the hours of one band empty: it then takes all hours that no other holds.",
      };
    case "two-rests":
      return {
        what: `${fault.season}: ${fault.bands[0]} and ${fault.bands[1]} both take the hours that are left.`,
        remedy: "Give one of them hours.",
      };
    case "tiers-not-rising":
      return {
        what: `${fault.season}, ${fault.band}: the tiers' limits must rise, and the last be open.`,
        remedy: "Order them, and leave the last limit empty.",
      };
    case "price-in-cents":
      return {
        what: `${fault.where ?? "the export credit"}: ${fault.perKwh} a kWh. That looks like cents.`,
        remedy: `Write ${(Number(fault.perKwh) / 100).toString()} if ${fault.perKwh} cents were meant.`,
      };
    case "ends-before-it-starts":
      return { what: `The plan runs from ${fault.from} to ${fault.to}.`, remedy: "Swap the dates, or leave the end empty." };
  }
}

/** Why there is not one rate of return. */
export function noReturnWords(kind: "none" | "several", rates: readonly number[]): string {
  if (kind === "none")
    return "There is no rate of return: the flows never change sign, so the money never comes back, or none was laid out. Look at the net present value.";
  return `Several rates of return fit (${rates.map((rate) => percent(rate)).join(", ")}): a later outlay turns the sign again. None is the answer; look at the net present value.`;
}
