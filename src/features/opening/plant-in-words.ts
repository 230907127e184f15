import type { SiteDocument } from "@/contracts/site";
import { nameplateW } from "@/core/site";
import type { PlantRead } from "@/core/typed";
import { number } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { BATTERY_NAMES } from "@/wording/screens/calculators-gear";
import { say } from "@/wording/screens/opening";

/** What stands behind the modules. */
function inverterWords({ inverter, hasNoInverter, chargeController }: PlantRead): string[] {
  if (!inverter) return hasNoInverter && !chargeController ? [say.noInverter] : [];
  const { acRatedW, devices, perModule } = inverter;
  return [perModule ? say.inverterPerModule(`${number(acRatedW)} W`) : say.inverterOf(`${number((acRatedW * devices) / 1000, 1)} kW`)];
}

const controllerWords = ({ chargeController }: PlantRead): string[] =>
  chargeController
    ? [chargeController.maxA === null ? say.chargeController : say.chargeControllerOf(`${number(chargeController.maxA)} A`)]
    : [];

const batteryWords = ({ battery }: PlantRead): string[] =>
  battery
    ? [
        say.batteryOf(
          battery.kind === null ? "" : `${BATTERY_NAMES[battery.kind]} `,
          `${number(battery.capacityKwh, 1)} kWh`,
          battery.voltageV === null ? "" : ` at ${number(battery.voltageV)} V`,
        ),
      ]
    : [];

/** A plant that was said in one line, read back. */
export function plantInWords(site: SiteDocument, plant: PlantRead): string {
  const roofs = site.arrays.map((array) => {
    const { pmpW } = site.modules[array.module]!;
    const kwp = `${number((array.count * pmpW) / 1000, 2)} kWp`;
    return `${say.modulesOf(number(array.count), `${number(pmpW)} W`, kwp)}, ${array.tiltDeg === 0 ? say.lyingFlat : say.tiltedToward(`${number(array.tiltDeg)}°`, facing(site.place.latitudeDeg, array.azimuthDeg))}`;
  });
  const whole = site.arrays.length > 1 ? `; ${number(nameplateW(site) / 1000, 2)} kWp` : "";
  return `${[...roofs, ...inverterWords(plant), ...controllerWords(plant), ...batteryWords(plant)].join("; ")}${whole}.`;
}
