import { catalogue } from "./catalogue";

/** What is limited in documents and forms. */
export const whatIsLimited = catalogue({
  arrays: "arrays of a site",
  modules: "module types of a site",
  inverters: "inverters of a site",
  meters: "meters of a site",
  obstacles: "obstacles, of a site or of one array",
  horizonPoints: "points of a horizon",
  tiltSteps: "steps of a tilt schedule",
  warrantySteps: "steps of a warranty",
  curvePoints: "points of an efficiency curve",
  matrixLines: "lights, or temperatures, of a matrix of power",
  revisions: "revisions of a site",
  revisionFields: "fields that one revision changes",
  costs: "costs, incentives and running costs, each",
  reminders: "reminders of a book",
  plans: "tariff plans of a site",
  bills: "bills of a book",
  billDays: "days of one bill",
  entries: "entries of a field book",
  variants: "variants kept in a book",
  feeds: "feeds of a book",
  moduleCount: "modules of an array",
  gridLines: "rows or columns of an array's modules",
  exclusions: "spans that a contract leaves out",
  tests: "kept tests of a book",
  name: "letters of a name",
  note: "letters of a note",
});

/** Why no honest document comes near the limit. */
export const whyLimited = catalogue({
  arrays: "each is run hour by hour; a farm of 500 planes is kept as several books",
  modules: "a site has a handful",
  inverters: "as many as arrays",
  meters: "each is a column of readings",
  obstacles: "each is cast on every array at every sun",
  horizonPoints: "two a degree",
  tiltSteps: "one a day, and room",
  warrantySteps: "one a year, as long as a warranty may be",
  curvePoints: "data sheets give five to ten",
  matrixLines: "IEC 61853-1 asks for seven lights and four temperatures",
  revisions: "one a month over forty years",
  revisionFields: "a site has thirty",
  costs: "one a month over forty years",
  reminders: "more are no longer read",
  plans: "one a year",
  bills: "a bill a month for a century",
  billDays: "a year and a month: longer ones name no season",
  entries: "six a month over forty years",
  variants: "more would not be told apart in one table",
  feeds: "each is pulled every few minutes",
  moduleCount: "half a gigawatt",
  gridLines: "modules are read one by one on roofs, not on farms",
  exclusions: "one a month over ten years",
  tests: "each keeps its own figures; more would not be told apart",
  name: "what fits on a spine and in a column",
  note: "a page",
});

/** Bodies of requests, by what they hold. */
export const bodyNames = catalogue({
  evidence: "an evidence file that is looked at",
  upload: "a file of readings",
  entry: "an entry with its photo, or an events file",
  bills: "bills",
  site: "a site document",
  other: "anything else",
});

/** What the figures of a running server mean. */
export const metricNames = catalogue({
  requestSeconds: "Time from a request's head to the end of its answer",
  atWork: (work: string) => `Requests (${work}) that are worked on`,
  waiting: (work: string) => `Requests (${work}) that wait for their turn`,
});

export const sizeInWords = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${Math.round(bytes / 1024 / 1024)} MB` : `${Math.ceil(bytes / 1024)} kB`;
