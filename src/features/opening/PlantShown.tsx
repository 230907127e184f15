import type { SiteDocument } from "@/contracts/site";
import { arrayPlace, nameplateW } from "@/core/site";
import type { PlantRead } from "@/core/typed";
import chapter from "@/features/kit/look/Chapter.module.css";
import { PlanView } from "@/features/site/PlanView";
import { SideFrame } from "@/features/site/SideFrame";
import { measure, number, percent } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { ASSUMPTION_WORDS, say } from "@/wording/screens/opening";
import styles from "./Opening.module.css";
import { contradictionIn } from "./opening";

/** The line read back: as a drawing, in words, with what was not understood and what was assumed. */
export function PlantShown({ plant, site }: { plant: PlantRead; site: SiteDocument | null }) {
  const wrong = plant.roofs.flatMap((roof) => {
    const found = contradictionIn(roof);
    return found
      ? [
          say.contradiction(
            measure(roof.moduleAreaM2!, "m²", 2),
            percent(roof.efficiencyFrac!, 1),
            `${number(found.madeW)} W`,
            `${number(found.saidW)} W`,
          ),
        ]
      : [];
  });
  return (
    <section className={chapter.section} aria-live="polite">
      <h2>{say.understood}</h2>
      {!site && plant.unread.length === 0 && <p className={chapter.soft}>{say.readBackHere}</p>}
      {site && <Drawn site={site} />}
      {site && <p data-testid="understood">{wordsOf(site, plant)}</p>}
      {site && site.assumed.length > 0 && (
        <p className={chapter.soft} data-testid="assumed">
          {say.assumedSoFar(site.assumed.map((what) => ASSUMPTION_WORDS[what]).join(", "))}
        </p>
      )}
      {[...wrong, ...(plant.unread.length > 0 ? [say.notUnderstood(plant.unread.map((word) => `“${word}”`).join(", "))] : [])].map(
        (words) => (
          <p key={words} className={chapter.clay}>
            {words}
          </p>
        ),
      )}
    </section>
  );
}

function wordsOf(site: SiteDocument, { inverter, hasNoInverter }: PlantRead): string {
  const roofs = site.arrays.map((array) => {
    const { pmpW } = site.modules[array.module]!;
    const kwp = `${number((array.count * pmpW) / 1000, 2)} kWp`;
    return `${say.modulesOf(number(array.count), `${number(pmpW)} W`, kwp)}, ${say.tiltedToward(`${number(array.tiltDeg)}°`, facing(site.place.latitudeDeg, array.azimuthDeg))}`;
  });
  const rating = inverter && `${number((inverter.acRatedW * (inverter.perModule ? 1 : inverter.devices)) / 1000, 1)} kW`;
  const behind = rating
    ? inverter?.perModule
      ? say.inverterPerModule(`${number(inverter.acRatedW)} W`)
      : say.inverterOf(rating)
    : hasNoInverter
      ? say.noInverter
      : "";
  const whole = site.arrays.length > 1 ? `; ${number(nameplateW(site) / 1000, 2)} kWp` : "";
  return `${[...roofs, ...(behind === "" ? [] : [behind])].join("; ")}${whole}.`;
}

const NOWHERE = (): void => {};

function Drawn({ site }: { site: SiteDocument }) {
  const arrays = site.arrays.map((array) => arrayPlace(site, array.id));
  return (
    <div className={styles.pictures}>
      <PlanView
        title="From above"
        fileName="new-plan"
        height={190}
        arrays={arrays}
        obstacles={[]}
        selected={null}
        select={NOWHERE}
        move={NOWHERE}
      />
      <SideFrame slug="new" site={site} array={site.arrays[0]!} />
    </div>
  );
}
