import { degToRad } from "../units";

/** Twelve months of what the monthly model asks for, January first. */
export interface SnowClimate {
  readonly monthlySnowCm: readonly number[];
  readonly snowEvents: readonly number[];
  readonly humidityPct: readonly number[];
  readonly airTempC: readonly number[];
  readonly monthlyPoaKwhM2: readonly number[];
  readonly tiltDeg: number;
  readonly slantLengthM: number;
  readonly lowerEdgeHeightM: number;
}

const CM_PER_INCH = 2.54;
const PILE_ANGLE_DEG = 40;

export interface MonthlySnow {
  readonly effectiveSnowIn: readonly number[];
  readonly groundInterference: readonly number[];
  readonly lossFraction: readonly number[];
}

/**
 * Monthly share of energy lost to snow, 0 to 1, from snowfall, its number of events, humidity, temperature and light.
 * The month's snow counts two parts to one of the month before. Source: Townsend & Powers, 2011, Photovoltaics and snow: an update from two winters of measurements.
 */
export function townsendPowers(climate: SnowClimate): MonthlySnow {
  const tilt = degToRad(climate.tiltDeg);
  const event = climate.monthlySnowCm.map((cm, m) => {
    const events = climate.snowEvents[m]!;
    return events > 0 ? 0.5 * (cm / CM_PER_INCH) * (1 + 1 / events) : 0;
  });
  const effective = event.map((inches, m) => (event[(m + 11) % 12]! + 2 * inches) / 3);
  const slantIn = (climate.slantLengthM * 100) / CM_PER_INCH;
  const dropIn = (climate.lowerEdgeHeightM * 100) / CM_PER_INCH;
  const interference = effective.map((snow) => {
    const room = Math.max(0.01, dropIn * dropIn - snow * snow);
    return 1 - 0.51 * Math.exp((-slantIn * snow * Math.cos(tilt) * 2 * Math.tan(degToRad(PILE_ANGLE_DEG))) / room);
  });
  const loss = effective.map((snow, m) => {
    const kelvin = climate.airTempC[m]! + 273.15;
    const light = climate.monthlyPoaKwhM2[m]! ** 0.67;
    const percent = (5.7e4 * snow * Math.cos(tilt) ** 2 * interference[m]! * climate.humidityPct[m]!) / (kelvin * kelvin * light);
    return Math.min(1, percent / 100);
  });
  return { effectiveSnowIn: effective, groundInterference: interference, lossFraction: loss };
}
