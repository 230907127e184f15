import { COPPER_OHM_MM2_PER_M, COPPER_PER_K } from "./cable";

/** Standard sections of conductors, mm2. Source: IEC 60228, table 1. */
export const SECTIONS_MM2 = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120] as const;

/** Conductor metals: resistance at 20 C, ohm mm2/m, and its rise a kelvin. Source: IEC 60028 (copper), IEC 60889 (aluminium). */
export const CONDUCTORS = {
  copper: { ohmMm2PerM: COPPER_OHM_MM2_PER_M, perK: COPPER_PER_K },
  aluminium: { ohmMm2PerM: 0.028264, perK: 0.00403 },
} as const;
export type Conductor = keyof typeof CONDUCTORS;

export interface CableRun {
  readonly conductor: Conductor;
  readonly oneWayLengthM: number;
  readonly conductorTempC: number;
  /** At the strings' maximum power under standard light. */
  readonly currentA: number;
  readonly voltageV: number;
  /** Energy a year through this cable, kWh, and its hours at full power that heat it as much as the year does: sum of P squared over P rated squared. */
  readonly squaredHours: number;
  /** What a lost kilowatt-hour is worth over the years looked at, all discounted; currency a kWh a year. */
  readonly lifeValuePerKwhYear: number;
  /** Price of a metre of two-core cable: a fixed part and a part by section. */
  readonly pricePerM: number;
  readonly pricePerMm2M: number;
}

export interface SectionChoice {
  readonly areaMm2: number;
  readonly dropV: number;
  readonly dropFrac: number;
  readonly lossW: number;
  readonly lossKwhPerYear: number;
  readonly cost: number;
  /** Cable and lost energy over the life. */
  readonly lifeCost: number;
}

/** Drop, yearly loss and cost over life of a two-wire cable in each standard section. Loss follows the square of the current. Source: Ohm's law; IEC 60364-5-52, annex on economic sections. */
export function cableSections(run: CableRun, sections: readonly number[] = SECTIONS_MM2): SectionChoice[] {
  const metal = CONDUCTORS[run.conductor];
  const resistivity = metal.ohmMm2PerM * (1 + metal.perK * (run.conductorTempC - 20));
  return sections.map((areaMm2) => {
    const ohm = (2 * run.oneWayLengthM * resistivity) / areaMm2;
    const dropV = run.currentA * ohm;
    const lossW = run.currentA * dropV;
    const lossKwhPerYear = (lossW * run.squaredHours) / 1000;
    const cost = run.oneWayLengthM * (run.pricePerM + run.pricePerMm2M * areaMm2);
    return {
      areaMm2,
      dropV,
      dropFrac: dropV / run.voltageV,
      lossW,
      lossKwhPerYear,
      cost,
      lifeCost: cost + lossKwhPerYear * run.lifeValuePerKwhYear,
    };
  });
}

/** The section that costs least over its life. */
export const cheapestSection = (choices: readonly SectionChoice[]): SectionChoice | null =>
  choices.reduce<SectionChoice | null>((best, each) => (best === null || each.lifeCost < best.lifeCost ? each : best), null);

/** The same power over the same cable at other voltages: current falls as the voltage rises, and the loss with its square. */
export function byVoltage(
  run: CableRun,
  areaMm2: number,
  voltagesV: readonly number[],
): { voltageV: number; currentA: number; choice: SectionChoice }[] {
  const powerW = run.currentA * run.voltageV;
  return voltagesV.map((voltageV) => {
    const currentA = powerW / voltageV;
    return { voltageV, currentA, choice: cableSections({ ...run, voltageV, currentA }, [areaMm2])[0]! };
  });
}

/** Hours at full power whose heating equals that of a series of powers: the loss of a year is the loss at full power times these. */
export function squaredHours(powerW: ArrayLike<number>, stepHours: number, fullW: number): number {
  let sum = 0;
  for (let i = 0; i < powerW.length; i++) if (powerW[i]! > 0) sum += (powerW[i]! / fullW) ** 2;
  return sum * stepHours;
}
