import {
  DESIGN_ACCOUNTS,
  type DesignAccount,
  designAccountOf,
  FOUND_ACCOUNTS,
  type FoundAccount,
  MODEL_ACCOUNTS,
  type ModelAccount,
} from "../accounts";
import type { YieldRun } from "../yield";
import type { MeteredOnAxis } from "./metered";

export type ModelPostings = Readonly<Record<ModelAccount, number>>;
export type FoundPostings = Readonly<Record<FoundAccount, number>>;

/** Nothing found on any account. */
export const NOTHING_FOUND: FoundPostings = Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, 0])) as Record<
  FoundAccount,
  number
>;

/**
 * One ruled line. All energies in kWh; a loss is positive on its account.
 * reference - design losses = expected; expected - losses found - data gaps - unexplained = metered - unmatched.
 */
export interface LedgerLine {
  /** "2024-03", or "2024", or "all". */
  readonly key: string;
  readonly planeKwhM2: number;
  readonly referenceKwh: number;
  /** Design losses by stage. */
  readonly accountsKwh: ModelPostings;
  /** What this plant, sound and kept as planned, gives in the weather that came; never moved by what was found. */
  readonly expectedKwh: number;
  /** Evidence minus plan, at the meter and of the time that was read. */
  readonly foundKwh: FoundPostings;
  /** Whether causes were sought; before that all that is missing is unexplained. */
  readonly isSought: boolean;
  readonly promiseKwh: number | null;
  /** Null where nothing was read. */
  readonly meteredKwh: number | null;
  /** Expected energy of time with no or bad readings; set apart, not a loss. */
  readonly dataGapKwh: number;
  /** Reference energy of time with no or bad readings. */
  readonly referenceGapKwh: number;
  /** Metered energy of time without weather of its own, which can't be compared. */
  readonly unmatchedKwh: number;
  /** Expected energy of time whose light is a usual year's and not its own: it stands in the data gap, since nothing can be held against it. */
  readonly usualKwh: number;
  /** The part of it in which the meter was read. */
  readonly usualReadKwh: number;
  /** The rest; positive is missing, negative more than expected. Null where nothing was read. */
  readonly unexplainedKwh: number | null;
  /** Energy-weighted share of the expected energy that was read, 0 to 1. */
  readonly readFrac: number;
  /** Reference energy of hours whose irradiance was filled by rule. */
  readonly filledReferenceKwh: number;
  /** Metered energy that is a share of a longer span, split by the expected shape. */
  readonly splitKwh: number;
}

/**
 * Lines by bin of a yield run. `monthlyPromiseKwh` holds twelve values, January first, and needs month bins. `usual` marks the intervals whose light is a usual
 * year's: what they give is expected of a usual year, and no reading is held against it.
 */
export function ledgerLines(
  run: YieldRun,
  metered: MeteredOnAxis | null,
  monthlyPromiseKwh: readonly number[] | null,
  usual: Uint8Array | null = null,
): LedgerLine[] {
  const sides = meterSides(run, metered, usual);
  return run.bins.keys.map((key, b) => {
    const side = sides[b]!;
    const expectedKwh = run.expectedByBinKwh[b]!;
    const read = side.readIntervals > 0;
    return {
      key,
      planeKwhM2: run.planeKwhM2[b]!,
      referenceKwh: run.referenceKwh[b]!,
      accountsKwh: postings((account) => run.accountsKwh[account][b]!),
      expectedKwh,
      foundKwh: NOTHING_FOUND,
      isSought: false,
      promiseKwh: monthlyPromiseKwh?.[Number(key.slice(5, 7)) - 1] ?? null,
      meteredKwh: read ? side.meteredKwh : null,
      dataGapKwh: side.dataGapKwh,
      referenceGapKwh: side.referenceGapKwh,
      unmatchedKwh: side.unmatchedKwh,
      usualKwh: side.usualKwh,
      usualReadKwh: side.usualReadKwh,
      // Beside a usual year's light alone nothing is left over and nothing is missing: it is not known.
      unexplainedKwh: side.comparedIntervals > 0 ? expectedKwh - side.dataGapKwh - (side.meteredKwh - side.unmatchedKwh) : null,
      readFrac: expectedKwh > 0 ? 1 - side.dataGapKwh / expectedKwh : read ? 1 : 0,
      filledReferenceKwh: run.filledReferenceKwh[b]!,
      splitKwh: side.splitKwh,
    };
  });
}

interface MeterSide {
  meteredKwh: number;
  dataGapKwh: number;
  referenceGapKwh: number;
  unmatchedKwh: number;
  usualKwh: number;
  usualReadKwh: number;
  readIntervals: number;
  comparedIntervals: number;
  splitKwh: number;
}

const NOTHING_READ: Readonly<MeterSide> = {
  meteredKwh: 0,
  dataGapKwh: 0,
  referenceGapKwh: 0,
  unmatchedKwh: 0,
  usualKwh: 0,
  usualReadKwh: 0,
  readIntervals: 0,
  comparedIntervals: 0,
  splitKwh: 0,
};

function meterSides(run: YieldRun, metered: MeteredOnAxis | null, usual: Uint8Array | null): MeterSide[] {
  const sides = run.bins.keys.map((): MeterSide => ({ ...NOTHING_READ }));
  for (let i = 0; i < run.axis.count; i++) {
    const side = sides[run.bins.binOf[i]!]!;
    const expected = run.expectedKwh[i]!;
    const read = metered ? metered.readFrac[i]! : 0;
    const isUsual = usual?.[i] === 1;
    const comparable = isUsual ? 0 : read;
    if (!Number.isNaN(expected)) side.dataGapKwh += expected * (1 - comparable);
    if (isUsual && !Number.isNaN(expected)) {
      side.usualKwh += expected;
      side.usualReadKwh += expected * read;
    }
    side.referenceGapKwh += run.referenceStepKwh[i]! * (1 - comparable);
    if (!metered || read === 0) continue;
    side.readIntervals++;
    if (!isUsual) side.comparedIntervals++;
    side.meteredKwh += metered.kwh[i]!;
    if (metered.split[i] !== 0) side.splitKwh += metered.kwh[i]!;
    if (isUsual || Number.isNaN(expected)) side.unmatchedKwh += metered.kwh[i]!;
  }
  return sides;
}

const postings = (of: (account: ModelAccount) => number): ModelPostings =>
  Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, of(account)])) as Record<ModelAccount, number>;

const sumOf = (lines: readonly LedgerLine[], of: (line: LedgerLine) => number): number => lines.reduce((sum, line) => sum + of(line), 0);

function sumOrNull(lines: readonly LedgerLine[], of: (line: LedgerLine) => number | null): number | null {
  const known = lines.map(of).filter((value): value is number => value !== null);
  return known.length > 0 ? known.reduce((a, b) => a + b, 0) : null;
}

/** Several lines as one; shares are taken again from the sums, never averaged. */
export function totalLine(key: string, lines: readonly LedgerLine[]): LedgerLine {
  const expectedKwh = sumOf(lines, (l) => l.expectedKwh);
  const dataGapKwh = sumOf(lines, (l) => l.dataGapKwh);
  return {
    key,
    planeKwhM2: sumOf(lines, (l) => l.planeKwhM2),
    referenceKwh: sumOf(lines, (l) => l.referenceKwh),
    accountsKwh: postings((account) => sumOf(lines, (l) => l.accountsKwh[account])),
    expectedKwh,
    foundKwh: Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, sumOf(lines, (l) => l.foundKwh[account])])) as Record<
      FoundAccount,
      number
    >,
    isSought: lines.some((l) => l.isSought) && lines.every((l) => l.isSought || l.meteredKwh === null),
    promiseKwh: sumOrNull(lines, (l) => l.promiseKwh),
    meteredKwh: sumOrNull(lines, (l) => l.meteredKwh),
    dataGapKwh,
    referenceGapKwh: sumOf(lines, (l) => l.referenceGapKwh),
    unmatchedKwh: sumOf(lines, (l) => l.unmatchedKwh),
    usualKwh: sumOf(lines, (l) => l.usualKwh),
    usualReadKwh: sumOf(lines, (l) => l.usualReadKwh),
    unexplainedKwh: sumOrNull(lines, (l) => l.unexplainedKwh),
    readFrac: expectedKwh > 0 ? 1 - dataGapKwh / expectedKwh : 0,
    filledReferenceKwh: sumOf(lines, (l) => l.filledReferenceKwh),
    splitKwh: sumOf(lines, (l) => l.splitKwh),
  };
}

/** Energy by which a line is told to be large or small: the sun's, or the meter's where the sun is not known. */
export const sizeKwh = ({ referenceKwh, meteredKwh }: LedgerLine): number => (referenceKwh > 0 ? referenceKwh : (meteredKwh ?? 0));

/** How much of a line's time was read, whether or not its own weather is known: what a promise is held against. */
export const readOfTimeFrac = ({ expectedKwh, dataGapKwh, usualReadKwh, readFrac }: LedgerLine): number =>
  usualReadKwh > 0 && expectedKwh > 0 ? (expectedKwh - dataGapKwh + usualReadKwh) / expectedKwh : readFrac;

/** A line's design losses on the accounts that a reader sees. */
export function designLosses(line: Pick<LedgerLine, "accountsKwh">): Record<DesignAccount, number> {
  const out = Object.fromEntries(DESIGN_ACCOUNTS.map((account) => [account, 0])) as Record<DesignAccount, number>;
  for (const account of MODEL_ACCOUNTS) out[designAccountOf(account)] += line.accountsKwh[account];
  return out;
}

/** All that was found, kWh. */
export const foundSumKwh = ({ foundKwh }: Pick<LedgerLine, "foundKwh">): number =>
  FOUND_ACCOUNTS.reduce((sum, account) => sum + foundKwh[account], 0);

/** Expected energy of the time that was read. */
export const expectedReadKwh = ({ expectedKwh, dataGapKwh }: Pick<LedgerLine, "expectedKwh" | "dataGapKwh">): number =>
  expectedKwh - dataGapKwh;

/** Metered over expected for the time that was read, or null; the energy performance index. Source: IEC TS 61724-3:2016. */
export function performanceIndex(line: LedgerLine): number | null {
  const expectedKwh = expectedReadKwh(line);
  return line.meteredKwh === null || line.unexplainedKwh === null || expectedKwh <= 0
    ? null
    : (line.meteredKwh - line.unmatchedKwh) / expectedKwh;
}

/**
 * Metered over the reference energy of the intervals that were read: the share of the expected energy would be another, since heat and clipping take
 * more of noon than of morning. Source: IEC 61724-1:2021, performance ratio.
 */
export function performanceRatio(line: LedgerLine): number | null {
  const referenceReadKwh = line.referenceKwh - line.referenceGapKwh;
  return line.meteredKwh === null || line.unexplainedKwh === null || referenceReadKwh <= 0
    ? null
    : (line.meteredKwh - line.unmatchedKwh) / referenceReadKwh;
}

/** Share of the energy before it that heat takes, against cells at 25 C; null without energy. Source: IEC 61724-1:2021, temperature-corrected performance ratio. */
export function heatFrac({ accountsKwh, referenceKwh }: LedgerLine): number | null {
  const { orientation, shading, rear, snow, soiling, reflection, lowLight, temperature } = accountsKwh;
  const before = referenceKwh - orientation - shading - rear - snow - soiling - reflection - lowLight;
  return before <= 0 ? null : temperature / before;
}
