"use client";

import type { Remote } from "comlink";
import { type MouseEvent, useMemo, useState } from "react";
import { type MapMark, OrientationMap, planeAtPoint } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import type { PvArray } from "@/core/site";
import type { WhatIf } from "@/core/yield";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import type { YieldEngine } from "./engine.worker";
import { AZIMUTHS, bestPlane, STEP_DEG, TILTS, withoutHoles } from "./map-grid";
import { useOrientationMap } from "./use-engine";
import styles from "./Yield.module.css";

interface Plane {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}

interface Props {
  readonly engine: Remote<YieldEngine> | null;
  readonly site: SiteDocument;
  readonly whatIf: WhatIf;
  readonly subject: PvArray;
  readonly ratedKw: number;
  readonly pick: (plane: Plane) => void;
  readonly name: string;
}

const SIZE = 344;
/** Room under the disc for what lies under the pointer; in the caption its length would move the map while it is pointed at. */
const SAYS = 20;

function planeUnder(event: MouseEvent<SVGGElement>): Plane | null {
  const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
  return box ? planeAtPoint(SIZE, event.clientX - box.left - (box.width - SIZE) / 2, event.clientY - box.top) : null;
}

const marksOf = (site: SiteDocument, best: Plane | null, subject: Plane): MapMark[] => [
  ...site.arrays.map((array): MapMark => ({ ...array, label: array.name || array.id, kind: "array" })),
  ...(best ? [{ tiltDeg: best.tiltDeg, azimuthDeg: best.azimuthDeg, label: "best", kind: "best" as const }] : []),
  { tiltDeg: subject.tiltDeg, azimuthDeg: subject.azimuthDeg, label: "tried", kind: "wish" },
];

/** The year's energy of all the book's modules in any one plane; a click tries a plane. */
export function PlaneMap({ engine, site, whatIf, subject, ratedKw, pick, name }: Props) {
  const { tiltDeg: _tilt, azimuthDeg: _azimuth, ...still } = whatIf;
  const part = useOrientationMap(engine, still);
  const kwh = useMemo(() => (part === null || part === "in-plane" ? null : withoutHoles(part.kwh)), [part]);
  const [under, setUnder] = useState<string | null>(null);
  if (part === "in-plane") {
    return <p className={styles.typical}>{say.lightWasMeasuredInThePlane}</p>;
  }
  const shaded = [site, ...site.arrays].some(({ horizon, obstacles }) => horizon.length + obstacles.length > 0);
  const isTwoSided = Object.values(site.modules).some(({ bifacialityFrac }) => bifacialityFrac > 0);
  const best = kwh && bestPlane(kwh);
  const describe = (event: MouseEvent<SVGGElement>) => {
    const plane = planeUnder(event);
    if (!plane || !kwh || !best) return setUnder(null);
    const value = kwh[Math.round(plane.tiltDeg / STEP_DEG) * AZIMUTHS + (Math.round(plane.azimuthDeg / STEP_DEG) % AZIMUTHS)]!;
    setUnder(say.tiltAzimuthKwhKwpOfThe(plane.tiltDeg, plane.azimuthDeg, number(value / ratedKw), percent(value / best.kwh)));
  };
  return (
    <ChartFrame
      title="Every plane"
      note={say.planeMapNote(shaded, isTwoSided)}
      fileName={name}
      height={SIZE + SAYS}
      summary={say.yearlyEnergyOfAllModulesIn}
      table={() => [
        ["tilt_deg", "azimuth_deg", "kwh"],
        ...Array.from(kwh ?? [], (value, cell) => [Math.floor(cell / AZIMUTHS) * STEP_DEG, (cell % AZIMUTHS) * STEP_DEG, value]),
      ]}
    >
      {(width) =>
        kwh && (
          <g
            transform={`translate(${(width - SIZE) / 2},0)`}
            style={{ cursor: "crosshair" }}
            onMouseMove={describe}
            onMouseLeave={() => setUnder(null)}
            onClick={(event) => {
              const plane = planeUnder(event);
              if (plane) pick(plane);
            }}
          >
            <rect width={SIZE} height={SIZE} fill="transparent" />
            <text x={SIZE / 2} y={SIZE + 13} textAnchor="middle" fontSize={12.5} fill="var(--ink-soft)">
              {under ?? (best && say.bestTiltAzimuth(best.tiltDeg, best.azimuthDeg))}
            </text>
            <OrientationMap
              kwh={kwh}
              tilts={TILTS}
              azimuths={AZIMUTHS}
              stepDeg={STEP_DEG}
              size={SIZE}
              marks={marksOf(site, best, subject)}
            />
          </g>
        )
      }
    </ChartFrame>
  );
}
