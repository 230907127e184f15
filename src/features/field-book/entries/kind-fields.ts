import type { EntryKind } from "@/contracts/field-book";

/** Kinds in the order in which they are written on site, with the words of a button. */
export const KIND_NAMES: Readonly<Record<EntryKind, string>> = {
  cleaning: "Cleaning",
  "snow-clearing": "Snow clearing",
  outage: "Outage",
  repair: "Repair",
  "tilt-change": "Tilt change",
  "hardware-change": "Hardware change",
  "meter-change": "Meter change",
  curtailment: "Curtailment",
  inspection: "Inspection",
  "spot-check": "Spot check",
  "inverter-reading": "Inverter reading",
  trial: "Trial",
  note: "Note",
};

/** What a kind's value means, for its field; null where it has none. */
export const VALUE_FIELD: Readonly<Partial<Record<EntryKind, { readonly label: string; readonly placeholder: string }>>> = {
  "tilt-change": { label: "New tilt from horizontal, °", placeholder: "35" },
  "hardware-change": { label: "What changed", placeholder: "acRatedW=8600" },
  "meter-change": { label: "New metering point", placeholder: "dc, ac, net …" },
};

/** Kinds that last: they have a last day too. */
export const LASTS: readonly EntryKind[] = ["outage", "curtailment", "trial"];

/** A word of care for kinds of work that can hurt. */
export const CARE: Readonly<Partial<Record<EntryKind, string>>> = {
  cleaning:
    "Soft water and a soft brush, early or late when the glass is cool: cold water on hot glass can crack it, grit scratches it. Never step on modules; at height, only with fall protection and not alone.",
  "snow-clearing":
    "From the ground with a soft, long-handled rake; never with metal, hot water or salt. A loaded roof slides without warning: nobody stands below, nobody climbs an iced roof.",
  repair:
    "DC stays live in daylight even with everything switched off. Opening terminals is a licensed electrician's work, by the maker's procedure and the local code.",
  "tilt-change": "Two people, no wind; isolate by the maker's procedure before anything is moved.",
  outage: "Look at displays and breakers from outside only; a tripped breaker that trips again wants an electrician.",
};
