import { catalogue, type Fact } from "../catalogue";

/** What the screens of field, book, entries say. */
export const say = catalogue({
  sensorCalibrated: "Sensor calibrated",
  sensorCleaned: "Sensor cleaned",
  showAllOfThem: (count: number) => `Show all ${count}`,
  lastWrittenOn: (last: string) => `Last written on ${last}. `,
  theNumbersAreOnlyAsGood: "The numbers are only as good as what was noted on site. ",
  inTheModel: (applied: number, applied2: string) => `${applied} ${applied2} in the model. `,
  leftNoTraceInTheReadings: (silent: number, silent2: string) =>
    `${silent} ${silent2} left no trace in the readings: a wrong date, or work that changed nothing.`,
  writeItDown: "Write it down",
  giveTheDay: "Give the day.",
  ofIsWrittenDown: (draft: string, from: string) => `${draft} of ${from} is written down.`,
  theWholeSite: "the whole site",
  liesBeforeThisPlantWasCommissioned: (from: string, commissioned: Fact) =>
    `${from} lies before this plant was commissioned (${commissioned}). Mend the date here, or that day in the Site chapter.`,
  putThisIntoTheModelAs: "Put this into the model, as a revision from this day on",
  inTheModelFrom: (appliedFrom: string) => `in the model from ${appliedFrom}`,
  nothingIsWrittenDownYetA:
    "Nothing is written down yet. A cleaning, an outage or a repair with its date lets findings be told from faults; an events file (CSV) can be dropped in the Readings chapter.",
  removeTheEntryOf: (from: string) => `Remove the entry of ${from}`,
  newTiltFromHorizontal: "New tilt from horizontal, °",
  newMeteringPoint: "New metering point",
  dcAcNet: "dc, ac, net …",
  softWaterAndASoftBrush:
    "Soft water and a soft brush, early or late when the glass is cool: cold water on hot glass can crack it, grit scratches it. Never step on modules; at height, only with fall protection and not alone.",
  fromTheGroundWithASoft:
    "From the ground with a soft, long-handled rake; never with metal, hot water or salt. A loaded roof slides without warning: nobody stands below, nobody climbs an iced roof.",
  dcStaysLiveInDaylightEven:
    "DC stays live in daylight even with everything switched off. Opening terminals is a licensed electrician's work, by the maker's procedure and the local code.",
  twoPeopleNoWindIsolateBy: "Two people, no wind; isolate by the maker's procedure before anything is moved.",
  lookAtDisplaysAndBreakersFrom:
    "Look at displays and breakers from outside only; a tripped breaker that trips again wants an electrician.",
  addAPhoto: "Add a photo",
  whatWillBeWrittenDownWith: "What will be written down with the entry",
  inThisBrowser: (queue: string, refused: string) => `${queue} in this browser${refused}`,
  entriesThatWait: "Entries that wait",
  oneEntryWaits: "One entry waits",
  andWillBeSentByThemselves: " and will be sent by themselves when the line is back.",
  withAPhoto: " (with a photo)",
});
