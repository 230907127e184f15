import type { SiteDocument } from "@/contracts/site";
import { arrayPlace } from "@/core/site";
import type { PlantRead } from "@/core/typed";
import chapter from "@/features/kit/look/Chapter.module.css";
import { PlanView } from "@/features/site/PlanView";
import { SideFrame } from "@/features/site/SideFrame";
import { measure, number, percent } from "@/wording/format";
import { ASSUMPTION_WORDS, say } from "@/wording/screens/opening";
import styles from "./Opening.module.css";
import { contradictionIn, hasSize } from "./opening";
import { plantInWords } from "./plant-in-words";

/** The line read back: as a drawing, in words, with what was not understood and what was assumed. */
export function PlantShown({ plant, site }: { plant: PlantRead; site: SiteDocument | null }) {
  const left = faultsOf(plant);
  return (
    <section className={chapter.section} aria-live="polite">
      <h2>{say.understood}</h2>
      {!site && left.length === 0 && <p className={chapter.soft}>{say.readBackHere}</p>}
      {site && <Drawn site={site} />}
      {site && <p data-testid="understood">{plantInWords(site, plant)}</p>}
      {site && site.assumed.length > 0 && (
        <p className={chapter.soft} data-testid="assumed">
          {say.assumedSoFar(site.assumed.map((what) => ASSUMPTION_WORDS[what]).join(", "))}
        </p>
      )}
      {left.map((words) => (
        <p key={words} className={chapter.clay}>
          {words}
        </p>
      ))}
    </section>
  );
}

/** What contradicts itself, what has no size, and what nobody understood: none of it goes by unsaid. */
function faultsOf({ roofs, unread }: PlantRead): string[] {
  const wrong = roofs.flatMap((roof) => {
    const found = contradictionIn(roof);
    if (!found) return [];
    const [area, efficiency] = [measure(roof.moduleAreaM2!, "m²", 2), percent(roof.efficiencyFrac!, 1)];
    return [say.contradiction(area, efficiency, `${number(found.madeW)} W`, `${number(found.saidW)} W`)];
  });
  const sizeless = roofs.flatMap((roof, k) => (hasSize(roof) ? [] : [say.roofWithoutSize(k + 1)]));
  return [...wrong, ...sizeless, ...(unread.length > 0 ? [say.notUnderstood(unread.map((word) => `“${word}”`).join(", "))] : [])];
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
