import type { AttributionFault, AttributionReport, BookCause, EntryEffect, Untellable } from "@/contracts/attribution";
import { causeInWords } from "./findings/attribution";
import { percent } from "./format";

/** What the readings can't tell apart, and why. */
const UNTELLABLE: Readonly<Record<Untellable, string>> = {
  months:
    "Monthly figures: outages, strings out, shading, orientation and the inverter's ceiling can't be told; snow is what winter months lack, dirt is modelled from rain.",
  days: "Daily figures: orientation, shading and the inverter's ceiling can't be told from the shape of a day.",
  orientation:
    "Orientation can't be told: there are too few clear days, or no plane explains their curves. Accept what Readings proposes for the clock, or bring a longer record.",
  "snow-from-outage": "No snow depth and no rain: snow can't be told from an outage.",
  "snow-depth": "No snow depth: snow is taken from precipitation in cold air.",
  rain: "No rain: dirt is told from jumps of the output alone, and a rain can't be told from a cleaning.",
  rating: "Rating of the modules, gain of the irradiance sensor and gain of the meter act alike all year: they share one account.",
};

export const untellableInWords = (what: Untellable): string => UNTELLABLE[what];

/** What an entry of the field book did to the output. */
export function effectInWords({ code, effectFrac }: EntryEffect): string {
  switch (code) {
    case "took-off-dirt":
      return `took off ${percent(effectFrac ?? 0)} of dirt`;
    case "not-seen":
      return "no effect seen in the output";
    case "matches":
      return "matches what the readings show";
    case "changes-nothing":
      return "changes no figure by itself";
  }
}

/** Why a search gave nothing. */
export const attributionFaultInWords = (fault: AttributionFault): string =>
  fault === "no-common-time" ? "Weather and production share no time yet." : "Something went wrong on our side; the log names the fault.";

const findingInWords = ({ entry, ...finding }: BookCause, timeZone: string) => ({ ...finding, ...causeInWords(finding, timeZone), entry });

/** A report with its sentences, as the command line prints it. */
export const attributionInWords = (report: AttributionReport, timeZone: string) => ({
  ...report,
  findings: report.findings.map((finding) => findingInWords(finding, timeZone)),
  entries: report.entries.map((entry) => ({ ...entry, effect: effectInWords(entry.effect) })),
  cannotTell: report.cannotTell.map(untellableInWords),
  fitted: { ...report.fitted, mayGoOn: report.fitted.mayGoOn.map((finding) => findingInWords(finding, timeZone)) },
});
