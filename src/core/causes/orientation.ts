import { type Site, siteSegments } from "../site";
import { quantileOf } from "../statistics";
import { type PreparedWeather, runPrepared } from "../yield";
import { type CauseBasis, HEALTHY } from "./basis";
import { clearDays } from "./clear-days";
import { BOOK, CLOCK_RIGHT, fitTurn, missOf, OFF_CLOCK_MIN, OPEN, redraw } from "./turn-fit";
import { turnedSite } from "./turned-site";

/** A fitted value with the interval that holds it in 95 of 100 cases. */
export interface FittedAngle {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What the shape of clear days says of where the modules look. Turns are from the book: positive is clockwise, steeper, later. */
export interface OrientationEvidence {
  readonly turnDeg: FittedAngle;
  readonly steeperDeg: FittedAngle;
  readonly clockMinutes: FittedAngle;
  readonly days: number;
  readonly hours: number;
  /** Root mean square of what the curve misses, as a share of its mean: as the book has it, and as fitted. */
  readonly bookMissFrac: number;
  readonly fittedMissFrac: number;
  /** The book's plane can't have made these curves. */
  readonly isWrong: boolean;
  /** The book as it stood in the fitted stretch. */
  readonly site: Site;
  /** Steps of the axis from which on the fitted stretch stands, and where it ends. */
  readonly from: number;
  readonly to: number;
}

const LEAST_DAYS = 8;
/** Bearings tried first, from the book's: a fit that starts on the wrong side of the sky ends there. */
const STARTS_DEG = [0, -50, 50, -110, 110, 180];
/** What sky models alone bend a clear day by, one side. Found on plants of other physics whose planes were right: up to 1.5 deg. */
const MODEL_TURN_DEG = 1.5;
const MODEL_STEEPER_DEG = 3;
/** The further a plane is turned, the more a sky that brightens otherwise about the sun passes for turn: up to this share, on stand-ins of another sky model. */
const MODEL_TURN_FRAC = 0.15;
const MODEL_CLOCK_MIN = 4;
/** Below this a turn costs under half a percent of the year and is no fault. */
const LEAST_TURN_DEG = 7;
const LEAST_STEEPER_DEG = 12;
/** A wrong plane must explain this much of the curve, as a share of its mean: sky models alone bend a right one by up to 2.5 %. */
const EXPLAINED_FRAC = 0.03;

/** Fits a common turn of all arrays, a change of tilt and a shift of the clock to the clear hours that no other cause holds. Null with too few clear days. */
export function orientationEvidence(basis: CauseBasis, spoilt: Uint8Array, ceilingKwh: number): OrientationEvidence | null {
  const segments = [...siteSegments(basis.site, basis.axis)].sort((a, b) => b.to - b.from - (a.to - a.from));
  const segment = segments[0];
  if (!segment) return null;
  const picked = clearDays(basis, spoilt, ceilingKwh, segment.from, segment.to);
  if (picked.days < LEAST_DAYS) return null;
  const run = (turnDeg: number, steeperDeg: number): Float64Array => runTurned(segment.site, picked.prepared, turnDeg, steeperDeg);
  const book = run(0, 0);
  const start = STARTS_DEG.map((turnDeg) => ({ turnDeg, miss: missOf(picked, turnDeg === 0 ? book : run(turnDeg, 0)) })).reduce((a, b) =>
    b.miss < 0.8 * a.miss ? b : a,
  );
  const open = fitTurn(picked, run, { turn: start.turnDeg, steeper: 0, clock: 0, contrast: 0, bend: 0 }, OPEN);
  const known = Math.abs(open.fitted.clock) > OFF_CLOCK_MIN ? OPEN : CLOCK_RIGHT;
  const { fitted, rows } = known === OPEN ? open : fitTurn(picked, run, open.fitted, known);
  const draws = redraw(rows, known, picked.days);
  const around = (value: number, k: 0 | 1 | 2, model: number): FittedAngle => {
    const half = Math.hypot((quantileOf(draws[k], 0.975) - quantileOf(draws[k], 0.025)) / 2, model);
    return { value, low: value - half, high: value + half };
  };
  const turned = ((fitted.turn + 540) % 360) - 180;
  const turnDeg = around(turned, 0, Math.hypot(MODEL_TURN_DEG, MODEL_TURN_FRAC * turned));
  const steeperDeg = around(fitted.steeper, 1, MODEL_STEEPER_DEG);
  const clockMinutes = around(fitted.clock, 2, MODEL_CLOCK_MIN);
  // The book's plane gets its own contrast, or a sky model's error would count against the plane.
  const bookFit = fitTurn(picked, run, { turn: 0, steeper: 0, clock: 0, contrast: 0, bend: 0 }, BOOK);
  const bookMiss = bookFit.rows.missFrac;
  const fittedMiss = rows.missFrac;
  const beyond = ({ value, low, high }: FittedAngle, least: number): boolean => Math.abs(value) > least && (low > 0 || high < 0);
  return {
    turnDeg,
    steeperDeg,
    clockMinutes,
    days: picked.days,
    hours: picked.use.reduce((sum, on) => sum + on, 0),
    bookMissFrac: bookMiss,
    fittedMissFrac: fittedMiss,
    isWrong:
      (beyond(turnDeg, LEAST_TURN_DEG) || beyond(steeperDeg, LEAST_STEEPER_DEG)) && bookMiss ** 2 - fittedMiss ** 2 > EXPLAINED_FRAC ** 2,
    site: segment.site,
    from: segment.from,
    to: segment.to,
  };
}

function runTurned(site: Site, prepared: PreparedWeather, turnDeg: number, steeperDeg: number): Float64Array {
  const turned = turnedSite({ ...site, revisions: [], commissioned: null }, turnDeg, steeperDeg);
  const bins = { keys: ["2024-06"], binOf: new Uint16Array(prepared.weather.axis.count) };
  const still = { ...turned, arrays: turned.arrays.map((array) => ({ ...array, tiltSchedule: [] })) };
  return runPrepared(still, prepared, bins, HEALTHY).expectedKwh;
}
