import type { EntryKind } from "@/contracts/field-book";
import { say } from "@/wording/screens/field-book-entries";

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
  calibration: say.sensorCalibrated,
  "sensor-cleaning": say.sensorCleaned,
  inspection: "Inspection",
  "spot-check": "Spot check",
  "inverter-reading": "Inverter reading",
  trial: "Trial",
  note: "Note",
};

/** What a kind's value means, for its field; null where it has none. */
export const VALUE_FIELD: Readonly<Partial<Record<EntryKind, { readonly label: string; readonly placeholder: string }>>> = {
  "tilt-change": { label: say.newTiltFromHorizontal, placeholder: "35" },
  "hardware-change": { label: "What changed", placeholder: "acRatedW=8600" },
  "meter-change": { label: say.newMeteringPoint, placeholder: say.dcAcNet },
};

/** Kinds that last: they have a last day too. */
export const LASTS: readonly EntryKind[] = ["outage", "curtailment", "trial"];

/** A word of care for kinds of work that can hurt. */
export const CARE: Readonly<Partial<Record<EntryKind, string>>> = {
  cleaning: say.softWaterAndASoftBrush,
  "snow-clearing": say.fromTheGroundWithASoft,
  repair: say.dcStaysLiveInDaylightEven,
  "tilt-change": say.twoPeopleNoWindIsolateBy,
  outage: say.lookAtDisplaysAndBreakersFrom,
};
