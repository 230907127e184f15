import { MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import { fillHayDavies, fillHorizontal, type HorizontalColumns, type PlaneColumns, planeOf } from "../irradiance";
import { diffuseModifier, HEAT_LOSS, incidenceModifier } from "../module";
import { assertOnAxis, type TimeAxis } from "../series";
import { arrayNameplateW, nameplateW, type PvArray, type Site, type SiteSegment, siteSegments } from "../site";
import { runSun, type SunColumns } from "../sun";
import { type CalendarBins, utcOfWall, zoneOffset } from "../time";
import { hoursOfStep, STC_POA_WM2 } from "../units";
import { type FilledWeather, fillGaps, type Weather } from "../weather";
import { inverterGroups } from "./inverter-groups";
import { fillMeasuredPlane } from "./measured-plane";
import {
  fillAgeing,
  fillClipping,
  fillKeptShare,
  fillLowLight,
  fillReflection,
  fillTemperature,
  type ReflectionTerms,
  type Tally,
} from "./stages";

/** What the sun owed and what of it should reach the meter. Sums leave out intervals without weather. */
export interface YieldRun {
  readonly axis: TimeAxis;
  readonly bins: CalendarBins;
  /** AC energy expected in each interval, kWh; NaN where there was no weather to tell. */
  readonly expectedKwh: Float64Array;
  readonly planeKwhM2: Float64Array;
  readonly referenceKwh: Float64Array;
  readonly expectedByBinKwh: Float64Array;
  /** By bin: energy before each stage minus after it; a gain is negative. */
  readonly accountsKwh: Readonly<Record<ModelAccount, Float64Array>>;
  /** Reference energy of intervals whose irradiance was filled by rule. */
  readonly filledReferenceKwh: Float64Array;
}

interface Workspace {
  readonly site: Site;
  readonly axis: TimeAxis;
  readonly weather: FilledWeather;
  readonly sun: SunColumns;
  readonly horizontal: HorizontalColumns;
  readonly plane: PlaneColumns;
  readonly poaWm2: Float64Array;
  readonly arrayW: Float64Array;
  readonly groupW: Float64Array;
  readonly binOf: Uint16Array;
  readonly losses: Readonly<Record<ModelAccount, Float64Array>>;
  readonly referenceW: Float64Array;
  readonly filledW: Float64Array;
  readonly planeWm2: Float64Array;
  readonly expectedW: Float64Array;
  readonly commissionedUtcMs: number | null;
}

/**
 * The chain from sun to meter over a weather series, with every stage's loss by calendar bin:
 * reference - all accounts = expected, in every bin. The site is read as it stood at each moment.
 * `sun` may be handed in when the same axis and place are run again. Throws a RangeError when columns differ in length.
 */
export function runYield(site: Site, weather: Weather, bins: CalendarBins, sun = runSun(weather.axis, site.place)): YieldRun {
  const { axis } = weather;
  assertOnAxis(axis, { ghi: weather.ghiWm2, dni: weather.dniWm2, dhi: weather.dhiWm2, poa: weather.poaWm2, bins: bins.binOf });
  const work = workspace(site, weather, bins, sun);
  for (const segment of siteSegments(site, axis)) runSegment(work, segment);
  return inKwh(work, axis, bins);
}

function workspace(site: Site, weather: Weather, bins: CalendarBins, sun: SunColumns): Workspace {
  const { axis } = weather;
  const column = (): Float64Array => new Float64Array(axis.count);
  const byBin = (): Float64Array => new Float64Array(bins.keys.length);
  const filled = fillGaps(weather, sun);
  const offset = zoneOffset(site.place.timeZone);
  return {
    site,
    axis,
    sun,
    weather: filled,
    horizontal: fillHorizontal(filled, sun, { ghiWm2: column(), dniWm2: column(), dhiWm2: column() }),
    plane: { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() },
    poaWm2: column(),
    arrayW: column(),
    groupW: column(),
    expectedW: column(),
    binOf: bins.binOf,
    losses: Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, byBin()])) as Record<ModelAccount, Float64Array>,
    referenceW: byBin(),
    filledW: byBin(),
    planeWm2: byBin(),
    commissionedUtcMs: site.commissioned ? utcOfWall(Date.parse(`${site.commissioned}T00:00:00Z`), offset) : null,
  };
}

function runSegment(work: Workspace, segment: SiteSegment): void {
  const { site } = segment;
  const { losses } = site;
  const tally = (account: ModelAccount): Tally => ({ binOf: work.binOf, lossW: work.losses[account] });
  for (const group of inverterGroups(site)) {
    work.groupW.fill(0, segment.from, segment.to);
    for (const array of group.arrays) addArray(work, segment, array, tally);
    fillKeptShare(work.groupW, group.efficiencyFrac, segment, tally("inverter"));
    fillClipping(work.groupW, group.acRatedW, segment, tally("clipping"));
    fillKeptShare(work.groupW, 1 - losses.acWiringFrac, segment, tally("acWiring"));
    fillKeptShare(work.groupW, 1 - losses.availabilityFrac, segment, tally("downtime"));
    for (let i = segment.from; i < segment.to; i++) work.expectedW[i]! += work.groupW[i]!;
  }
}

/** DC side of one array: from in-plane light to the inverter's input, added to the group's power. */
function addArray(work: Workspace, segment: SiteSegment, array: PvArray, tally: (account: ModelAccount) => Tally): void {
  const { site } = segment;
  const { losses } = site;
  const power = work.arrayW;
  fillPlane(work, segment, array);
  fillReference(work, segment, array);
  fillKeptShare(power, 1 - losses.soilingFrac, segment, tally("soiling"));
  fillReflection(power, work.plane, reflectionTerms(site, array), segment, tally("reflection"));
  fillLowLight(power, arrayNameplateW(site, array), segment, tally("lowLight"));
  const gammaPmpPerK = site.modules[array.module]?.gammaPmpPerK ?? 0;
  fillTemperature(power, work.poaWm2, work.weather, { heatLoss: HEAT_LOSS[array.mounting], gammaPmpPerK }, segment, tally("temperature"));
  if (work.commissionedUtcMs !== null) {
    fillAgeing(power, work.axis, { commissionedUtcMs: work.commissionedUtcMs, rate: site.ageing }, segment, tally("ageing"));
  }
  fillKeptShare(power, 1 - losses.mismatchFrac, segment, tally("mismatch"));
  fillKeptShare(power, 1 - losses.dcWiringFrac, segment, tally("dcWiring"));
  for (let i = segment.from; i < segment.to; i++) work.groupW[i]! += power[i]!;
}

function fillPlane(work: Workspace, { from, to, site }: SiteSegment, array: PvArray): void {
  const plane = planeOf(array.tiltDeg, array.azimuthDeg);
  if (work.weather.poaWm2) fillMeasuredPlane(work.weather.poaWm2, work.sun, plane, { from, to }, work.plane);
  else fillHayDavies(work.horizontal, work.sun, plane, site.albedo, from, to, work.plane);
  const { directionalWm2, skyWm2, groundWm2 } = work.plane;
  for (let i = from; i < to; i++) work.poaWm2[i] = Math.max(0, directionalWm2[i]! + skyWm2[i]! + groundWm2[i]!);
}

/** Power at nameplate efficiency; an interval without weather books nothing and leaves the expected energy missing. */
function fillReference(work: Workspace, { from, to, site }: SiteSegment, array: PvArray): void {
  const { arrayW, poaWm2, binOf, referenceW, planeWm2, filledW, expectedW } = work;
  const nameplate = arrayNameplateW(site, array);
  const share = nameplate / nameplateW(site);
  for (let i = from; i < to; i++) {
    const poa = poaWm2[i]!;
    const known =
      poa === 0 || (!Number.isNaN(poa) && !Number.isNaN(work.weather.airTempC[i]) && !Number.isNaN(work.weather.windSpeedMs[i]));
    const power = known ? (nameplate * poa) / STC_POA_WM2 : 0;
    if (!known) expectedW[i] = Number.NaN;
    arrayW[i] = power;
    const bin = binOf[i]!;
    referenceW[bin]! += power;
    if (known) planeWm2[bin]! += share * poa;
    if (work.weather.filled[i]) filledW[bin]! += power;
  }
}

function reflectionTerms(site: Site, array: PvArray): ReflectionTerms {
  const modifier = incidenceModifier(site.models.reflection);
  const groundFrac = diffuseModifier(modifier, array.tiltDeg, "ground");
  return { modifier, skyFrac: diffuseModifier(modifier, array.tiltDeg, "sky"), groundFrac: !Number.isNaN(groundFrac) ? groundFrac : 1 };
}

function inKwh(work: Workspace, axis: TimeAxis, bins: CalendarBins): YieldRun {
  const toKwh = hoursOfStep(axis.stepMinutes) / 1000;
  const scaled = (column: Float64Array): Float64Array => {
    for (let i = 0; i < column.length; i++) column[i]! *= toKwh;
    return column;
  };
  const expectedKwh = scaled(work.expectedW);
  const expectedByBinKwh = new Float64Array(bins.keys.length);
  for (let i = 0; i < axis.count; i++) if (!Number.isNaN(expectedKwh[i])) expectedByBinKwh[bins.binOf[i]!]! += expectedKwh[i]!;
  for (const account of MODEL_ACCOUNTS) scaled(work.losses[account]);
  return {
    axis,
    bins,
    expectedKwh,
    expectedByBinKwh,
    planeKwhM2: scaled(work.planeWm2),
    referenceKwh: scaled(work.referenceW),
    filledReferenceKwh: scaled(work.filledW),
    accountsKwh: work.losses,
  };
}
