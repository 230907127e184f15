"use client";
import type { Dispatch, SetStateAction } from "react";
import type { PlaneYear } from "@/contracts/plane-year";
import type { SiteDocument } from "@/contracts/site";
import { equatorAzimuthDeg } from "@/core/geometry";
import { pricePerKwh } from "@/core/money";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import { wayWorking, worthWorking } from "@/wording/workings/bench-workings";
import { differenceWorking } from "@/wording/workings/yield-workings";
import styles from "./Bench.module.css";
import type { BenchSun } from "./bench-sun";

interface WayRowProps {
  readonly name: string;
  readonly answer: PlaneYear | undefined;
  readonly base: PlaneYear | undefined;
  readonly first: boolean;
  readonly price: number | null;
  readonly sun: BenchSun;
}

function WayRow({ name, answer, base, first, price, sun }: WayRowProps) {
  const more = answer && base ? answer.yearKwh - base.yearKwh : 0;
  return (
    <tr>
      <td>{name}</td>
      <td>{answer ? <YearFigure name={name} answer={answer} sun={sun} kwh={answer.yearKwh} /> : "…"}</td>
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
      <td>{answer ? <YearFigure name={name} answer={answer} sun={sun} kwh={answer.winterKwh} /> : "…"}</td>
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

export interface Way {
  readonly name: string;
  readonly site: SiteDocument;
}

interface PlaneFieldsProps {
  readonly latitudeDeg: number;
  readonly roofAzimuth: string | number;
  readonly roofTilt: string | number;
  readonly setRoofTilt: Dispatch<SetStateAction<string | number>>;
  readonly site: SiteDocument;
  readonly setRoofAzimuth: Dispatch<SetStateAction<string | number>>;
  readonly rackTilt: string | number;
  readonly setRackTilt: Dispatch<SetStateAction<string | number>>;
}

/** Tilt and direction of the roof, and tilt of the rack. */
export function PlaneFields({
  latitudeDeg,
  roofAzimuth,
  roofTilt,
  setRoofTilt,
  site,
  setRoofAzimuth,
  rackTilt,
  setRackTilt,
}: PlaneFieldsProps) {
  return (
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
  );
}

interface WaysTableProps {
  readonly sun: BenchSun;
  readonly site: SiteDocument;
  readonly ways: Way[];
  readonly years: PlaneYear[] | null;
}

/** What each way gives over the year. */
export function WaysTable({ sun, site, ways, years }: WaysTableProps) {
  return (
    <ScrollBox label={say.roofOrGround}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">all modules</th>
            <th scope="col">{`${sun.head}, kWh`}</th>
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
            <WayRow key={name} name={name} answer={years?.[k]} base={years?.[0]} first={k === 0} price={pricePerKwh(site)} sun={sun} />
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

function YearFigure({ name, answer, sun, kwh }: { name: string; answer: PlaneYear; sun: BenchSun; kwh: number }) {
  return (
    <Figure plain working={() => wayWorking(name, answer, sun)}>
      {number(kwh)}
    </Figure>
  );
}
