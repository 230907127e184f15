/** A limit of what is taken: how much, of what, and why no honest document comes near it. */
export interface Limit {
  readonly most: number;
  readonly what: string;
  readonly reason: string;
}

/** Limits of documents and forms, by name. Limits of requests are in request-limits, those of files with their readers. */
export const LIMITS = {
  arrays: { most: 500, what: "arrays of a site", reason: "each is run hour by hour; a farm of 500 planes is kept as several books" },
  modules: { most: 200, what: "module types of a site", reason: "a site has a handful" },
  inverters: { most: 500, what: "inverters of a site", reason: "as many as arrays" },
  meters: { most: 200, what: "meters of a site", reason: "each is a column of readings" },
  obstacles: { most: 200, what: "obstacles, of a site or of one array", reason: "each is cast on every array at every sun" },
  horizonPoints: { most: 720, what: "points of a horizon", reason: "two a degree" },
  tiltSteps: { most: 400, what: "steps of a tilt schedule", reason: "one a day, and room" },
  curvePoints: { most: 100, what: "points of an efficiency curve", reason: "data sheets give five to ten" },
  revisions: { most: 500, what: "revisions of a site", reason: "one a month over forty years" },
  revisionFields: { most: 60, what: "fields that one revision changes", reason: "a site has thirty" },
  costs: { most: 500, what: "costs, incentives and running costs, each", reason: "one a month over forty years" },
  reminders: { most: 60, what: "reminders of a book", reason: "more are no longer read" },
  plans: { most: 40, what: "tariff plans of a site", reason: "one a year" },
  bills: { most: 1200, what: "bills of a book", reason: "a bill a month for a century" },
  billDays: { most: 400, what: "days of one bill", reason: "a year and a month: longer ones name no season" },
  entries: { most: 3000, what: "entries of a field book", reason: "six a month over forty years" },
  variants: { most: 24, what: "variants kept in a book", reason: "more would not be told apart in one table" },
  feeds: { most: 20, what: "feeds of a book", reason: "each is pulled every few minutes" },
  moduleCount: { most: 1_000_000, what: "modules of an array", reason: "half a gigawatt" },
  name: { most: 80, what: "letters of a name", reason: "what fits on a spine and in a column" },
  note: { most: 2000, what: "letters of a note", reason: "a page" },
} as const satisfies Readonly<Record<string, Limit>>;

/** Years that dates may lie in. */
export const FIRST_YEAR = 1990;
export const LAST_YEAR = 2060;
/** The largest whole number that the database's keys and versions hold. */
export const MOST_INTEGER = 2_147_483_647;
