"use client";

import type { Remote } from "comlink";
import { useMemo, useState } from "react";
import { WayCurves } from "@/charts";
import type { PlaneYear } from "@/contracts/plane-year";
import type { SiteDocument } from "@/contracts/site";
import { equatorAzimuthDeg } from "@/core/geometry";
import { pricePerKwh } from "@/core/money";
import type { PvArray } from "@/core/site";
import { methodSchedule, polynomialTiltDeg } from "@/core/tilt";
import type { GeometryEngine } from "@/features/data/geometry/geometry.worker";
import { useEngineAnswer } from "@/features/data/geometry/use-geometry";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators";
import { wayWorking, worthWorking } from "@/wording/workings/bench-workings";
import { differenceWorking } from "@/wording/workings/yield-workings";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";

const SHORT = [say.asItStands, say.onTheRoof, "rack, fixed", say.rackTiltedTwice] as const;

interface Way {
  readonly name: string;
  readonly site: SiteDocument;
}

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
export function RoofOrGround({ slug, site, year, engine }: BenchProps & { readonly engine: Remote<GeometryEngine> | null }) {
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
      <GroundSentence ways={ways} years={years} year={year} />
      <div className={styles.tools}>
        <TiltField
          size="xs"
          plain
          label="Roof's tilt, °"
          latitudeDeg={latitudeDeg}
          azimuthDeg={Number(roofAzimuth) || 0}
          value={roofTilt}
          onChange={setRoofTilt}
        />
        <AzimuthField size="xs" plain label="Roof's azimuth, °" place={site.place} value={roofAzimuth} onChange={setRoofAzimuth} />
        <TiltField
          size="xs"
          plain
          label={say.racksFixedTilt}
          latitudeDeg={latitudeDeg}
          azimuthDeg={equatorAzimuthDeg(latitudeDeg)}
          value={rackTilt}
          onChange={setRackTilt}
        />
      </div>
      <ScrollBox label={say.roofOrGround}>
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">all modules</th>
              <th scope="col">{`${year ?? "cloudless year"}, kWh`}</th>
              <th scope="col">{say.againstAsItStands}</th>
              <th scope="col">{say.winterHalfKwh}</th>
              <th scope="col">December, kWh</th>
              <th scope="col">June, kWh</th>
              <th scope="col">{say.worthAYear(site.currency)}</th>
              <th scope="col">cost</th>
            </tr>
          </thead>
          <tbody>
            {ways.map(({ name }, k) => (
              <WayRow key={name} name={name} answer={years?.[k]} base={years?.[0]} first={k === 0} price={pricePerKwh(site)} year={year} />
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      {years && years.length === ways.length && (
        <ChartFrame
          title={say.monthByMonth}
          note={say.kwhAtTheMeter}
          fileName={`${slug}-roof-or-ground`}
          height={230}
          summary={say.energyByMonthOnTheRoof}
          table={() => [
            ["way", ...MONTHS_SHORT],
            ...ways.map(({ name }, k) => [name, ...years[k]!.monthsKwh.map((kwh) => Number(kwh.toFixed(1)))]),
          ]}
        >
          {(width) => (
            <WayCurves
              width={width}
              height={230}
              months={MONTHS_SHORT}
              label={(kwh) => number(kwh)}
              curves={ways.map(({ name }, k) => ({ label: SHORT[k]!, values: years[k]!.monthsKwh, name }))}
            />
          )}
        </ChartFrame>
      )}
      <p className={chapter.soft}>{say.theRackStandsClearOfThe}</p>
      <p className={chapter.caution}>{say.aRackCarriesWindAndSnow}</p>
    </>
  );
}

interface WayRowProps {
  readonly name: string;
  readonly answer: PlaneYear | undefined;
  readonly base: PlaneYear | undefined;
  readonly first: boolean;
  readonly price: number | null;
  readonly year: string | null;
}

function YearFigure({ name, answer, year, kwh }: { name: string; answer: PlaneYear; year: string | null; kwh: number }) {
  return (
    <Figure plain working={() => wayWorking(name, answer, year)}>
      {number(kwh)}
    </Figure>
  );
}

function WayRow({ name, answer, base, first, price, year }: WayRowProps) {
  const more = answer && base ? answer.yearKwh - base.yearKwh : 0;
  return (
    <tr>
      <td>{name}</td>
      <td>{answer ? <YearFigure name={name} answer={answer} year={year} kwh={answer.yearKwh} /> : "…"}</td>
      <td>
        {first || !answer || !base ? (
          "–"
        ) : (
          <Figure
            plain
            working={() =>
              differenceWorking(
                name,
                { name: `Expected ${name}`, kwh: answer.yearKwh },
                { name: say.expectedAsItStands, kwh: base.yearKwh },
              )
            }
          >
            {`${more > 0 ? "+" : ""}${number(more)} kWh (${more > 0 ? "+" : ""}${percent(more / base.yearKwh)})`}
          </Figure>
        )}
      </td>
      <td>{answer ? <YearFigure name={name} answer={answer} year={year} kwh={answer.winterKwh} /> : "…"}</td>
      <td>{answer ? number(answer.monthsKwh[11]!) : "…"}</td>
      <td>{answer ? number(answer.monthsKwh[5]!) : "…"}</td>
      <td>
        {first || price === null || !answer || !base ? (
          "–"
        ) : (
          <Figure plain working={() => worthWorking(name, more, price)}>
            {number(more * price, 2)}
          </Figure>
        )}
      </td>
      <td className={chapter.soft}>–</td>
    </tr>
  );
}

function GroundSentence({ ways, years, year }: { ways: readonly Way[]; years: readonly PlaneYear[] | null; year: string | null }) {
  if (!years || years.length < ways.length)
    return <p className={chapter.verdict}>{say.runningOnTheRoofAndIn(year ?? say.aCloudlessYear)}</p>;
  const [, roof, fixed, tilted] = years as [PlaneYear, PlaneYear, PlaneYear, PlaneYear];
  const more = fixed.yearKwh - roof.yearKwh;
  return (
    <p className={chapter.verdict}>
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
      .
    </p>
  );
}
