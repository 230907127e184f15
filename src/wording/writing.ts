import type { DecimalMark } from "@/core/typed";

/** How one country's readers write numbers and days. */
export interface Region {
  readonly name: string;
  readonly decimal: DecimalMark;
  readonly group: string;
  /** Digits between marks left of the first one; the first holds three everywhere. */
  readonly groupDigits: 2 | 3;
  /** Numbers of four digits take no mark. */
  readonly fourUngrouped?: boolean;
  readonly dates: "day first" | "month first" | "year first";
  readonly units: Units;
}

export type Units = "metric" | "imperial";

const THIN = "\u202f";
const NO_BREAK = "\u00a0";

/** Marks and orders of days. Source: Unicode Consortium, 2024, Common Locale Data Repository, release 45. */
const REGIONS = {
  house: { name: "House style", decimal: ".", group: THIN, groupDigits: 3, dates: "day first", units: "metric" },
  "en-GB": { name: "United Kingdom", decimal: ".", group: ",", groupDigits: 3, dates: "day first", units: "metric" },
  "en-US": { name: "United States", decimal: ".", group: ",", groupDigits: 3, dates: "month first", units: "imperial" },
  "en-CA": { name: "Canada", decimal: ".", group: ",", groupDigits: 3, dates: "month first", units: "metric" },
  "en-AU": { name: "Australia", decimal: ".", group: ",", groupDigits: 3, dates: "day first", units: "metric" },
  "en-IN": { name: "India", decimal: ".", group: ",", groupDigits: 2, dates: "day first", units: "metric" },
  "en-ZA": { name: "South Africa", decimal: ",", group: NO_BREAK, groupDigits: 3, dates: "day first", units: "metric" },
  "de-DE": { name: "Germany", decimal: ",", group: ".", groupDigits: 3, dates: "day first", units: "metric" },
  "de-AT": { name: "Austria", decimal: ",", group: NO_BREAK, groupDigits: 3, dates: "day first", units: "metric" },
  "de-CH": { name: "Switzerland", decimal: ".", group: "’", groupDigits: 3, dates: "day first", units: "metric" },
  "fr-FR": { name: "France", decimal: ",", group: THIN, groupDigits: 3, dates: "day first", units: "metric" },
  "es-ES": { name: "Spain", decimal: ",", group: ".", groupDigits: 3, fourUngrouped: true, dates: "day first", units: "metric" },
  "it-IT": { name: "Italy", decimal: ",", group: ".", groupDigits: 3, fourUngrouped: true, dates: "day first", units: "metric" },
  "pt-BR": { name: "Brazil", decimal: ",", group: ".", groupDigits: 3, dates: "day first", units: "metric" },
  "nl-NL": { name: "Netherlands", decimal: ",", group: ".", groupDigits: 3, dates: "day first", units: "metric" },
  "pl-PL": { name: "Poland", decimal: ",", group: NO_BREAK, groupDigits: 3, fourUngrouped: true, dates: "day first", units: "metric" },
  "sv-SE": { name: "Sweden", decimal: ",", group: NO_BREAK, groupDigits: 3, dates: "year first", units: "metric" },
  "ja-JP": { name: "Japan", decimal: ".", group: ",", groupDigits: 3, dates: "year first", units: "metric" },
} as const satisfies Readonly<Record<string, Region>>;

export type RegionId = keyof typeof REGIONS;

export const REGION_IDS = Object.keys(REGIONS) as RegionId[];
export const regionOf = (id: RegionId): Region => REGIONS[id];

/** What a reader chose. */
export interface Writing {
  readonly region: RegionId;
  readonly units: Units;
}

export const HOUSE_WRITING: Writing = { region: "house", units: "metric" };

/** The cookie that keeps the choice, so that a page is written in it from its first letter. */
export const WRITING_COOKIE = "dusty-ledger-writing";

export const writingCode = ({ region, units }: Writing): string => `${region}.${units}`;

/** A choice by its code; the house's own where the code is none of ours. */
export function writingOf(code: string | undefined): Writing {
  const [region = "", units] = (code ?? "").split(".");
  return Object.hasOwn(REGIONS, region) && (units === "metric" || units === "imperial")
    ? { region: region as RegionId, units }
    : HOUSE_WRITING;
}

/** The code that a request's cookies hold; nothing where they hold none of ours. */
export function writingCodeIn(cookies: string | undefined): string {
  const held = new RegExp(`(?:^|;\\s*)${WRITING_COOKIE}=([A-Za-z.-]{1,24})(?:;|$)`).exec(cookies ?? "")?.[1];
  const code = writingCode(writingOf(held));
  return code === held ? code : writingCode(HOUSE_WRITING);
}

/** Under this name the server holds what tells the choice of the request that is being answered. */
const OF_REQUEST = Symbol.for("dusty-ledger.writing-of-request");
const held = globalThis as { [OF_REQUEST]?: () => string | undefined };

/** Has the server's own source of a request's choice asked from now on. */
export function askWriting(source: () => string | undefined): void {
  held[OF_REQUEST] = source;
}

interface Now extends Region {
  /** What the reader chose, which may differ from the region's habit. */
  readonly units: Units;
  readonly code: string;
}

const known = new Map<string, Now>();
let triedCode: string | undefined;

/** What something reads as for one who chose this. */
export function writtenAs(writing: Writing, make: () => string): string {
  triedCode = writingCode(writing);
  try {
    return make();
  } finally {
    triedCode = undefined;
  }
}

/** How the reader of this moment wants numbers: in the browser by the page, on the server by the request, elsewhere as the house writes them. */
export function writingNow(): Now {
  const code =
    triedCode ??
    (typeof document === "undefined" ? held[OF_REQUEST]?.() : document.documentElement.dataset.writing) ??
    writingCode(HOUSE_WRITING);
  const before = known.get(code);
  if (before) return before;
  const { region, units } = writingOf(code);
  const now: Now = { ...REGIONS[region], units, code };
  // Codes are checked before they come here, and there are few.
  if (known.size < 100) known.set(code, now);
  return now;
}
