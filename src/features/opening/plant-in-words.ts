import type { SiteDocument } from "@/contracts/site";
import { nameplateW } from "@/core/site";
import type { PlantRead } from "@/core/typed";
import { number } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { say } from "@/wording/screens/opening";

/** What stands behind the modules. */
function inverterWords({ inverter, hasNoInverter }: PlantRead): string[] {
  if (!inverter) return hasNoInverter ? [say.noInverter] : [];
  const { acRatedW, devices, perModule } = inverter;
  return [perModule ? say.inverterPerModule(`${number(acRatedW)} W`) : say.inverterOf(`${number((acRatedW * devices) / 1000, 1)} kW`)];
}

/** A plant that was said in one line, read back. */
export function plantInWords(site: SiteDocument, plant: PlantRead): string {
  const roofs = site.arrays.map((array) => {
    const { pmpW } = site.modules[array.module]!;
    const kwp = `${number((array.count * pmpW) / 1000, 2)} kWp`;
    return `${say.modulesOf(number(array.count), `${number(pmpW)} W`, kwp)}, ${array.tiltDeg === 0 ? say.lyingFlat : say.tiltedToward(`${number(array.tiltDeg)}°`, facing(site.place.latitudeDeg, array.azimuthDeg))}`;
  });
  const whole = site.arrays.length > 1 ? `; ${number(nameplateW(site) / 1000, 2)} kWp` : "";
  return `${[...roofs, ...inverterWords(plant)].join("; ")}${whole}.`;
}
