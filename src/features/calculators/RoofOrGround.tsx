"use client";

import type { Remote } from "comlink";
import { useMemo, useState } from "react";
import { WayCurves } from "@/charts";
import type { PlaneYear } from "@/contracts/plane-year";
import type { SiteDocument } from "@/contracts/site";
import { equatorAzimuthDeg } from "@/core/geometry";
import type { PvArray } from "@/core/site";
import { methodSchedule, polynomialTiltDeg } from "@/core/tilt";
import type { GeometryEngine } from "@/features/data/geometry/geometry.worker";
import { useEngineAnswer } from "@/features/data/geometry/use-geometry";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number, percent } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators";
import { differenceWorking } from "@/wording/workings/yield-workings";
import type { BenchSun } from "./bench-sun";
import type { BenchProps } from "./bench-views";
import { PlaneFields, type Way, WaysTable } from "./RoofOrGroundParts";

const SHORT = [say.asItStands, say.onTheRoof, "rack, fixed", say.rackTiltedTwice] as const;
/** Every array of a site stood otherwise: shade of the old place left behind, revisions overruled. */
const stoodAs = (site: SiteDocument, change: Partial<PvArray>): SiteDocument => ({
  ...site,
  revisions: [],
  arrays: site.arrays.map(
    (array) =>
      ({
        ...array,
        tiltSchedule: [],
        horizon: [...array.horizon],
        obstacles: [...array.obstacles],
        ...change,
      }) as SiteDocument["arrays"][number],
  ),
});

/** The same modules on the roof or on a rack in the open: what each brings. */
export function RoofOrGround({ slug, site, sun, engine }: BenchProps & { readonly engine: Remote<GeometryEngine> | null }) {
  const { latitudeDeg } = site.place;
  const first = site.arrays[0]!;
  const [roofTilt, setRoofTilt] = useState<number | string>(first.tiltDeg);
  const [roofAzimuth, setRoofAzimuth] = useState<number | string>(first.azimuthDeg);
  const [rackTilt, setRackTilt] = useState<number | string>(Math.round(polynomialTiltDeg(latitudeDeg)));
  const ways = useMemo<Way[]>(() => {
    const rack = { mounting: "open-rack" as const, azimuthDeg: equatorAzimuthDeg(latitudeDeg), obstacles: [], baseHeightM: 0.6 };
    const open = { ...site, obstacles: [] };
    return [
      { name: say.asItStands, site },
      {
        name: say.onTheRoof,
        site: stoodAs(site, { mounting: "roof-gap", tiltDeg: Number(roofTilt) || 0, azimuthDeg: (Number(roofAzimuth) || 0) % 360 }),
      },
      { name: say.rackInTheOpenFixed, site: stoodAs(open, { ...rack, tiltDeg: Number(rackTilt) || 0 }) },
      {
        name: say.rackInTheOpenTiltedTwice,
        site: stoodAs(open, { ...rack, tiltSchedule: methodSchedule("latitude-15", 2, latitudeDeg) ?? [] }),
      },
    ];
  }, [site, latitudeDeg, roofTilt, roofAzimuth, rackTilt]);
  const years = useEngineAnswer(
    engine,
    ways.map((way) => way.site),
    (remote, asked) => remote.planes(asked),
  );
  return (
    <>
      <GroundSentence ways={ways} years={years} sun={sun} />
      <PlaneFields
        latitudeDeg={latitudeDeg}
        roofAzimuth={roofAzimuth}
        roofTilt={roofTilt}
        setRoofTilt={setRoofTilt}
        site={site}
        setRoofAzimuth={setRoofAzimuth}
        rackTilt={rackTilt}
        setRackTilt={setRackTilt}
      />
      <WaysTable sun={sun} site={site} ways={ways} years={years} />
      <WaysChart slug={slug} ways={ways} years={years?.length === ways.length ? years : null} />
      <p className={chapter.soft}>{say.theRackStandsClearOfThe}</p>
      <p className={chapter.caution}>{say.aRackCarriesWindAndSnow}</p>
    </>
  );
}

interface WaysChartProps {
  readonly slug: string | null;
  readonly ways: Way[];
  /** Null until they are known: the frame keeps the chart's room. */
  readonly years: PlaneYear[] | null;
}

function WaysChart({ slug, ways, years }: WaysChartProps) {
  return (
    <ChartFrame
      title={say.monthByMonth}
      note={say.kwhAtTheMeter}
      fileName={`${slug ?? "bench"}-roof-or-ground`}
      height={230}
      summary={say.energyByMonthOnTheRoof}
      table={() => [
        ["way", ...MONTHS_SHORT],
        ...(years ?? []).map(({ monthsKwh }, k) => [ways[k]!.name, ...monthsKwh.map((kwh) => Number(kwh.toFixed(1)))]),
      ]}
    >
      {(width) =>
        years && (
          <WayCurves
            width={width}
            height={230}
            months={MONTHS_SHORT}
            label={(kwh) => number(kwh)}
            curves={years.map(({ monthsKwh }, k) => ({ label: SHORT[k]!, values: monthsKwh, name: ways[k]!.name }))}
          />
        )
      }
    </ChartFrame>
  );
}

function GroundSentence({ ways, years, sun }: { ways: readonly Way[]; years: readonly PlaneYear[] | null; sun: BenchSun }) {
  if (!years || years.length < ways.length)
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.runningOnTheRoofAndIn(sun.name)}
      </p>
    );
  const [, roof, fixed, tilted] = years as [PlaneYear, PlaneYear, PlaneYear, PlaneYear];
  const more = fixed.yearKwh - roof.yearKwh;
  return (
    <p className={chapter.verdict} data-lines="2">
      {sun.opening}
      {say.onAFixedRackInThe}
      <Figure
        working={() =>
          differenceWorking(
            say.rackAgainstRoof,
            { name: say.expectedOnAFixedRack, kwh: fixed.yearKwh },
            { name: say.expectedOnTheRoof, kwh: roof.yearKwh },
          )
        }
      >
        {number(Math.abs(more))} kWh
      </Figure>
      {say.aYearThanOnTheRoof(
        more >= 0 ? "more" : "less",
        more >= 0 ? "+" : "",
        percent(more / roof.yearKwh),
        number(Math.abs(fixed.winterKwh - roof.winterKwh)),
        fixed.winterKwh >= roof.winterKwh ? "more" : "less",
      )}
      <Figure
        end="."
        working={() =>
          differenceWorking(
            say.tiltingTwiceAYear,
            { name: say.expectedTiltedTwice, kwh: tilted.yearKwh },
            { name: say.expectedOnAFixedRack, kwh: fixed.yearKwh },
          )
        }
      >
        {number(tilted.yearKwh - fixed.yearKwh)}
      </Figure>
    </p>
  );
}
