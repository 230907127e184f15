import { readAgeing } from "../ageing";
import type { MeteredOnAxis, MeterSeries } from "../ledger";
import type { Site } from "../site";
import type { Weather } from "../weather";
import { prepareWeather } from "../yield";
import { cutFracOf } from "./ceiling/cut-frac";
import { ceilingEvidence, timeAtCeiling } from "./ceiling/detect";
import { insideHours, swingInside } from "./ceiling/inside-hours";
import type { AgeingStep, DirtStep, Evidence, LevelStep, PlaneStep, RecordStep, SensorStep, StandstillStep } from "./evidence";
import { ageAtStartOf, ageingRateOf, beforeCeiling, capped, ceilingKwhOf, expectedSoFar, rated, unbroken } from "./expected";
import { heatEvidence } from "./heat/detect";
import { flatCurve, levelOf, loadCurve } from "./level/detect";
import { tellingCeilingKwh } from "./limit/detect";
import { asOrdered, type OrderedLimit } from "./limit/ordered";
import { either, type Standstill, standstill, withStringsBack } from "./outage/standstill";
import { planeAndShade } from "./plane/plane-and-shade";
import { clearSkyLog, lightRecord } from "./record/clear-light";
import { type DayIndex, dayIndex } from "./record/day-index";
import { attributionFrame } from "./record/frame";
import { type Hourly, toHours } from "./record/hours";
import { meterGaps } from "./record/meter-gaps";
import { monthIndex } from "./record/month-index";
import { dirtyDomes, withoutDomeDays, withoutDomes } from "./sensor/detect";
import { noShade, shadeEvidence } from "./shade/detect";
import { soilingEvidence } from "./soiling/detect";
import { modelledSoiling } from "./soiling/modelled";
import { seenFracOf } from "./soiling/seen-frac";
import { rainByDay } from "./soiling/washing";
import { type StringsOut, stringsOut } from "./strings/detect";

/** What is known of a plant when causes are sought. */
export interface EvidenceInput {
  readonly site: Site;
  readonly weather: Weather;
  readonly metered: MeteredOnAxis;
  readonly meters: readonly MeterSeries[];
  /** Local dates of cleanings in the field book. */
  readonly cleanings: readonly string[];
  /** Local dates of the light sensor's calibrations in the field book. */
  readonly calibrations: readonly string[];
  /** Spans of the field book in which something outside held the plant. */
  readonly limits: readonly OrderedLimit[];
  /** Metered energy by local month, for the yearly totals. */
  readonly months: readonly { readonly key: string; readonly kwh: number; readonly readFrac: number }[];
  readonly draws: number;
  readonly seed: number;
}

/** Share of the work that is done after each step, as measured on five years of hours. */
const DONE_AFTER = { record: 0.1, plane: 0.25, standstill: 0.4, dirt: 0.7, ageing: 0.85, level: 0.95 } as const;

/** Seeks every cause in the order in which one can be mistaken for another: plane and shade, standstill and snow, strings, dirt, ageing, level. */
export function gatherEvidence(input: EvidenceInput): Evidence {
  const search = seekEvidence(input);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

/** The same step by step, giving the share that is done, so that long work can show progress and be stopped. */
export function* seekEvidence(input: EvidenceInput): Generator<number, Evidence> {
  const hourly = toHours(input.weather, input.metered);
  const book = readRecord(input, hourly);
  yield DONE_AFTER.record;
  const { shaded, found: standing, ...plane } = readPlane(book, hourly.metered);
  const record = { ...book, frame: plane.frame };
  yield DONE_AFTER.plane;
  const { spoilt, ...standstill } = readStandstill(input, record, { shaded, found: standing });
  const skyLog = clearSkyLog(record.frame);
  const { domes, index } = readSensor(input, record, standstill, skyLog);
  const still = { ...standstill, index };
  yield DONE_AFTER.standstill;
  const dirt = readDirt(input, record, still);
  yield DONE_AFTER.dirt;
  const ageing = readAge(input, record, still, { ...dirt, domes }, skyLog);
  yield DONE_AFTER.ageing;
  const found = { ...record, ...plane, ...still, domes, ...dirt, ...ageing };
  const level = readLevel(input, found, either(spoilt, shaded), spoilt);
  yield DONE_AFTER.level;
  return { ...found, ...level };
}

/** The record by the hour beside the sound plant of the book. */
function readRecord({ site, meters }: EvidenceInput, hourly: Hourly): RecordStep {
  const frame = attributionFrame(site, prepareWeather(site.place, hourly.weather), hourly.metered);
  const ceiling = frame.resolution === "hours" ? ceilingEvidence(meters) : null;
  return { frame, stepsAnHour: hourly.steps, ceiling, ceilingKwh: ceilingKwhOf(frame, ceiling) };
}

/** Where the modules look, and which places of the sky are shaded. The frame is that of the plane as the readings have it. */
function readPlane(
  { frame: book, ceilingKwh }: RecordStep,
  metered: MeteredOnAxis,
): PlaneStep & Pick<RecordStep, "frame"> & { readonly shaded: Uint8Array; readonly found: Standstill } {
  const { frame, orientation, found, shaded } = planeAndShade(book, metered, ceilingKwh);
  return { frame, orientation, planeOffset: orientation?.planeOffset ?? null, found, shaded };
}

const cleanedDays = ({ cleanings }: EvidenceInput, { frame }: RecordStep): number[] =>
  cleanings.map((date) => frame.days.keys.indexOf(date)).filter((day) => day >= 0);

/** Standstill, snow, limits and strings out. A plant with a string out never looks bare again: then all are sought once more with it. */
function readStandstill(
  input: EvidenceInput,
  record: RecordStep,
  before: { readonly shaded: Uint8Array; readonly found: Standstill },
): StandstillStep & { readonly spoilt: Uint8Array } {
  const { frame, ceilingKwh } = record;
  const isMonthly = frame.resolution === "months";
  const cleaned = new Set(cleanedDays(input, record));
  const heat = heatEvidence(frame, before.found, ceilingKwh);
  const unheld = either(heat.touched, before.shaded);
  const indexOf = ({ spoilt, curtailed }: Standstill): DayIndex =>
    isMonthly ? monthIndex(frame) : dayIndex(frame, either(spoilt, unheld), tellingCeilingKwh(curtailed, frame, ceilingKwh));
  const stringsOf = (index: DayIndex): StringsOut[] => (isMonthly ? [] : stringsOut(frame, index, cleaned));
  const firstIndex = indexOf(before.found);
  const first = stringsOf(firstIndex);
  const found = first.length > 0 ? standstill(frame, ceilingKwh, first, before.shaded) : before.found;
  const bareIndex = first.length > 0 ? indexOf(found) : firstIndex;
  const strings = first.length > 0 ? stringsOf(bareIndex) : first;
  const { outages, curtailed, snow, spoilt } = asOrdered(found, frame, input.limits);
  return {
    outages,
    curtailed,
    snow,
    heat,
    spoilt: either(spoilt, heat.touched),
    strings,
    index: withStringsBack(frame, bareIndex, strings),
  };
}

/** Weeks in which the light sensor read too low by itself, and the index without what they lifted it by. */
function readSensor(
  input: EvidenceInput,
  record: RecordStep,
  { index }: StandstillStep,
  skyLog: Float64Array | null,
): SensorStep & Pick<StandstillStep, "index"> {
  const { frame } = record;
  if (!skyLog) return { domes: [], index };
  const domes = dirtyDomes({ index, rainMm: rainByDay(frame), cleaned: new Set(cleanedDays(input, record)), skyLog });
  return { domes, index: withoutDomes(index, domes) };
}

function readDirt(input: EvidenceInput, record: RecordStep, { index }: StandstillStep): DirtStep {
  const { frame } = record;
  if (frame.resolution === "months") return { soiling: modelledSoiling(frame, index) };
  return { soiling: soilingEvidence(frame, index, cleanedDays(input, record), seenFracOf(frame)) };
}

function readAge(
  input: EvidenceInput,
  { frame, ceilingKwh }: RecordStep,
  { index }: StandstillStep,
  { soiling, domes }: DirtStep & SensorStep,
  skyLog: Float64Array | null,
): AgeingStep {
  return {
    ageing: readAgeing({
      days: frame.days.keys,
      cleanLog: soiling.cleanLog,
      rawLog: logOf(dayIndex(frame, new Uint8Array(frame.axis.count), ceilingKwh)),
      causesOutLog: logOf(index),
      weight: index.weight,
      dirtFrac: soiling.lostFracByDay,
      months: input.months,
      ageAtStartYears: ageAtStartOf(frame),
      light: { ...lightRecord(frame, input.calibrations, skyLog && withoutDomeDays(skyLog, domes)), isNeglected: domes.length > 0 },
      meterGaps: meterGaps(frame),
      dirtOffsets: soiling.offsets,
      draws: input.draws,
      seed: input.seed,
    }),
  };
}

const LEAST_RATIO = 0.05;
const logOf = ({ ratio }: DayIndex): Float64Array => ratio.map((value) => (value > LEAST_RATIO ? Math.log(value) : Number.NaN));

/** What is left: the level by load, the shade, and what the ceiling cut. `untold` marks steps that tell nothing of the level. */
function readLevel(
  { meters }: EvidenceInput,
  found: RecordStep & StandstillStep & DirtStep & AgeingStep,
  untold: Uint8Array,
  spoilt: Uint8Array,
): LevelStep {
  const { frame, ceiling, ceilingKwh, soiling, ageing } = found;
  const isHourly = frame.resolution === "hours";
  const [ageAtStart, perYear] = [ageAtStartOf(frame), ageingRateOf(ageing, frame.site)];
  const expected = expectedSoFar(found, ageAtStart, perYear);
  const inside = isHourly ? insideHours(frame, meters) : null;
  const swing = inside && swingInside(frame, inside, ceilingKwh);
  const held = ceiling && { hours: timeAtCeiling(ceiling, meters), swingFrac: swing?.readFrac ?? null };
  const rating =
    frame.resolution === "months"
      ? flatCurve(levelOf(soiling.cleanLog, ageAtStart, perYear))
      : loadCurve(frame, expected, untold, ceilingKwh, held);
  const ratingRetained = rated(expected, rating, ceilingKwh);
  const shade = isHourly ? shadeEvidence(frame, capped(expected, ratingRetained, ceilingKwh), spoilt) : noShade(frame.axis.count);
  return {
    rating,
    ratingRetained,
    shade,
    cutFrac: isHourly ? cutFracOf(frame, inside, beforeCeiling({ ...found, shade, ratingRetained }, expected), ceilingKwh) : null,
    swingScale: swing?.scale ?? 1,
    expectedKwh: unbroken(found, ageAtStart, perYear, ratingRetained),
  };
}
