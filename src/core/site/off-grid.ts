export const BATTERY_KINDS = ["lead", "lithium"] as const;
export type BatteryKind = (typeof BATTERY_KINDS)[number];

/** Charges a battery from the array where no inverter does. */
export interface ChargeController {
  /** Most current into the battery, A; null where not known. */
  readonly maxA: number | null;
}

export interface Battery {
  /** Null where not known. */
  readonly kind: BatteryKind | null;
  readonly capacityKwh: number;
  readonly voltageV: number | null;
}

/** While a battery is charged its voltage stands over its name's, by this share at the end. Source: usual absorption voltages, 14.4 V of 12 V. */
export const CHARGING_OVER_NAME = 1.2;

/** What a charge controller lets into its battery at the most, W; null where its current or the battery's voltage is not known. */
export function mostChargingW(controller: ChargeController | null, battery: Battery | null): number | null {
  if (controller?.maxA == null || battery?.voltageV == null) return null;
  return controller.maxA * battery.voltageV * CHARGING_OVER_NAME;
}

/** Whether a plant charges batteries by itself: what a full one does not take was neither lost nor made. */
export const isOffGrid = (site: { readonly chargeController: ChargeController | null; readonly inverters: readonly unknown[] }): boolean =>
  site.chargeController !== null && site.inverters.length === 0;
