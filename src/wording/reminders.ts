import type { ReminderRow } from "@/contracts/reminders";
import { inLocale } from "./catalogue";
import { measure } from "./format";

const SAFELY = "Two people, no wind; isolate by the maker's procedure before anything is moved. Write the change in the field book.";

/** A rack's changes of tilt. */
export const tiltWords = {
  title: (site: string): string => inLocale(`${site}: tilts`),
  step: (array: string, tiltDeg: number): string => inLocale(`${array}: tilt to ${tiltDeg}°`),
  how: (tiltDeg: number, legM: number | null): string => {
    const upright = Math.round((90 - tiltDeg) * 10) / 10;
    const leg = legM === null ? "" : ` Leg ${measure(legM, "m", 3)}.`;
    return inLocale(`${tiltDeg}° from flat (${upright}° from upright).${leg} ${SAFELY}`);
  },
};

type Facts = ReminderRow["facts"];
type Sentence = (facts: Facts) => string;

const REMINDERS: Readonly<Record<ReminderRow["kind"], { readonly title: Sentence; readonly text: Sentence }>> = {
  tilt: {
    title: (f) => `${f.array}: tilt to ${f.tiltDeg}°`,
    text: () => `From the rack's schedule. ${SAFELY}`,
  },
  cleaning: {
    title: () => "Is a cleaning worth it?",
    text: (f) => `Last cleaned on ${f.cleaned}. The ledger's dirt page says what one would bring now, and when rain is due.`,
  },
  inspection: {
    title: () => "Look the plant over",
    text: (f) =>
      `Last looked over on ${f.looked}. Fixings, cables, connectors, isolators, shade that has grown; local rules may ask for a licensed electrician.`,
  },
  insurance: { title: (f) => `Renew: ${f.what}`, text: () => "A yearly cost in the Money chapter." },
  warranty: {
    title: () => "The modules' warranty ends",
    text: () => "The Ageing chapter holds the evidence sheet; a claim has to be made before this day.",
  },
  own: { title: (f) => String(f.what), text: () => "" },
};

/** What is to come, in words. */
export function reminderInWords({ kind, facts }: Pick<ReminderRow, "kind" | "facts">): { readonly title: string; readonly text: string } {
  const { title, text } = REMINDERS[kind];
  return { title: inLocale(title(facts)), text: inLocale(text(facts)) };
}
