import { whatIsLimited, whyLimited } from "@/wording/limits";

/** A limit of what is taken: how much, of what, and why no honest document comes near it. */
export interface Limit {
  readonly most: number;
  readonly what: string;
  readonly reason: string;
}

type LimitName = keyof typeof whatIsLimited;

/** Said when it is asked for, in the locale of that moment. */
const limit = (name: LimitName, most: number): Limit => ({
  most,
  get what() {
    return whatIsLimited[name];
  },
  get reason() {
    return whyLimited[name];
  },
});

/** Limits of documents and forms, by name. Limits of requests are in request-limits, those of files with their readers. */
export const LIMITS = {
  arrays: limit("arrays", 500),
  modules: limit("modules", 200),
  inverters: limit("inverters", 500),
  meters: limit("meters", 200),
  obstacles: limit("obstacles", 200),
  horizonPoints: limit("horizonPoints", 720),
  tiltSteps: limit("tiltSteps", 400),
  warrantySteps: limit("warrantySteps", 60),
  curvePoints: limit("curvePoints", 100),
  matrixLines: limit("matrixLines", 40),
  revisions: limit("revisions", 500),
  revisionFields: limit("revisionFields", 60),
  costs: limit("costs", 500),
  reminders: limit("reminders", 60),
  plans: limit("plans", 40),
  bills: limit("bills", 1200),
  billDays: limit("billDays", 400),
  entries: limit("entries", 3000),
  variants: limit("variants", 24),
  feeds: limit("feeds", 20),
  moduleCount: limit("moduleCount", 1_000_000),
  gridLines: limit("gridLines", 200),
  exclusions: limit("exclusions", 120),
  tests: limit("tests", 100),
  name: limit("name", 80),
  note: limit("note", 2000),
} as const satisfies Readonly<Record<LimitName, Limit>>;

/** Years that dates may lie in. */
export const FIRST_YEAR = 1990;
export const LAST_YEAR = 2060;
/** The largest whole number that the database's keys and versions hold. */
export const MOST_INTEGER = 2_147_483_647;
