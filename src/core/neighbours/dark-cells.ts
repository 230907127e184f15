import { medianOf } from "../statistics";
import { CELLS, HOURS } from "./bins";
import { soundLevel } from "./peers";
import { type BinnedEnergy, sharesOf, weightedQuantile } from "./shares";
import { DARK_SPREADS, LEAST_CELL_FRAC, LEAST_SPREAD_FRAC, OWN_LEVEL_SHARE } from "./thresholds";

/** What darkens a module at certain hours of certain months, beside its own level. */
export interface DarkCells {
  /** Share of its peers where nothing darkens it. */
  readonly levelFrac: number;
  /** 1 for cells that are darker than the level. */
  readonly dark: Uint8Array;
  readonly lostKwh: number;
  /** Of a 68 % interval. */
  readonly errorKwh: number;
}

/** Of each module of an array, from its cells; cells of all are judged together, since what all share is no shade of one. */
export function darkCells(modules: readonly BinnedEnergy[]): DarkCells[] {
  const shares = modules.map((module) => sharesOf(module, LEAST_CELL_FRAC));
  const levels = shares.map((own, k) => weightedQuantile(own, modules[k]!.peersKwh, OWN_LEVEL_SHARE));
  const usual = Array.from({ length: CELLS }, (_, cell) => soundLevel(shares.map((own, k) => own[cell]! / levels[k]!)));
  return shares.map((own, k) => {
    const drop = own.map((share, cell) => 1 - share / (levels[k]! * usual[cell]!.middle));
    const spreadAt = (cell: number): number => Math.max(LEAST_SPREAD_FRAC, usual[cell]!.spread);
    const low = Uint8Array.from(drop, (value, cell) => Number(value > DARK_SPREADS * spreadAt(cell)));
    const dark = low.map((flag, cell) => Number(flag === 1 && beside(cell).some((other) => low[other] === 1)));
    // The rim of a shade is too faint to be told by itself: it is counted with it.
    const counted = dark.map((flag, cell) => Number(flag === 1 || beside(cell).some((other) => dark[other] === 1)));
    let [lostKwh, variance, owedKwh] = [0, 0, 0];
    counted.forEach((flag, cell) => {
      if (flag === 0 || Number.isNaN(drop[cell]!)) return;
      const owed = levels[k]! * modules[k]!.peersKwh[cell]!;
      lostKwh += drop[cell]! * owed;
      variance += (spreadAt(cell) * owed) ** 2;
      owedKwh += owed;
    });
    // Its own level is wrong for all of them together.
    const levelError = medianOf(drop.map((value, cell) => (Number.isNaN(value) ? value : spreadAt(cell)))) * owedKwh;
    return { levelFrac: levels[k]!, dark, lostKwh, errorKwh: Math.hypot(Math.sqrt(variance), levelError) };
  });
}

/** The hours before and after in the same month, and the same hour in the months around it; December lies beside January. */
function beside(cell: number): number[] {
  const [month, hour] = [Math.floor(cell / HOURS), cell % HOURS];
  const sameMonth = [hour - 1, hour + 1].filter((other) => other >= 0 && other < HOURS).map((other) => month * HOURS + other);
  return [...sameMonth, ((month + 11) % 12) * HOURS + hour, ((month + 1) % 12) * HOURS + hour];
}
