import Link from "next/link";
import { type KeptInverter, keptInverters } from "@/core/electrical";
import type { Site } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/site-wiring";

interface Props {
  readonly slug: string;
  /** As the book has it, and as it is typed. */
  readonly before: Site;
  readonly now: Site;
}

/** Other modules before an inverter that was not changed with them: it is said that it stays, and whether it bears them. */
export function KeptInverterLines({ slug, before, now }: Props) {
  return keptInverters(before, now).map((kept) => (
    <p key={kept.id} className={kept.holds === false ? chapter.clay : chapter.soft} data-testid="kept-inverter">
      {say.inverterStays(
        kept.id,
        number(kept.acRatedW / 1000, 1),
        number(kept.dcNowW / 1000, 1),
        number(kept.dcBeforeW / 1000, 1),
        number(kept.dcNowW / kept.acRatedW, 2),
      )}{" "}
      <Bearing slug={slug} kept={kept} />
    </p>
  ));
}

function Bearing({ slug, kept }: { slug: string; kept: KeptInverter }) {
  if (kept.holds === true) return say.stringsKeepItsLimits;
  return (
    <>
      {kept.holds === false ? say.stringsBreakItsLimits : say.stringsNotKnownToKeep}{" "}
      <Link href={`/books/${slug}/site?view=wiring`}>Wiring</Link>
    </>
  );
}
