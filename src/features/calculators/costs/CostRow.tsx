"use client";

import type { Remote } from "comlink";
import { type ReactNode, useEffect } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { Mistake, MistakeCost } from "@/core/comparison";
import type { PvArray } from "@/core/site";
import { Cells } from "@/features/kit/figures/Cells";
import { number, percent } from "@/wording/format";
import { MISTAKE_TITLES, say } from "@/wording/screens/calculators-costs";
import { mistakeWorking } from "@/wording/workings/mistake-working";
import type { BenchEngine } from "../bench.worker";
import type { BenchSun } from "../bench-sun";
import { useBenchAnswer } from "../use-bench-engine";
import { type Typed, typedNumber } from "../use-number-fields";
import styles from "./Costs.module.css";

export interface RowProps {
  readonly site: SiteDocument;
  readonly array: PvArray;
  readonly engine: Remote<BenchEngine> | null;
  readonly sun: BenchSun;
  /** What a kilowatt-hour is worth; null where nobody said. */
  readonly price: number | null;
  readonly tell: (kind: Mistake["kind"], cost: MistakeCost | null) => void;
}

interface FrameProps extends RowProps {
  /** Null while something of it is not said. */
  readonly mistake: Mistake | null;
  readonly kind: Mistake["kind"];
  readonly children: ReactNode;
}

/** A row: how it is on the left, what it costs on the right. */
export function CostRow({ site, array, engine, sun, price, tell, mistake, kind, children }: FrameProps) {
  const answer = useBenchAnswer(mistake ? engine : null, { site, id: array.id, mistake }, (remote, asked) =>
    asked.mistake ? remote.mistake(asked.site, asked.id, asked.mistake) : Promise.resolve(null),
  );
  const cost = mistake ? answer : null;
  useEffect(() => tell(kind, cost), [tell, kind, cost]);
  const lostKwh = cost ? cost.couldKwh - cost.isKwh : 0;
  const waits = mistake && engine && !cost;
  const mended = cost ? cost.mendedKwh - cost.isKwh : 0;
  return (
    <tr data-unsaid={mistake === null || undefined}>
      <td>
        <div className={styles.question}>
          <b>{MISTAKE_TITLES[kind]}</b>
          <div className={styles.fields}>{children}</div>
        </div>
      </td>
      {cost ? (
        <Cells working={() => mistakeWorking(kind, cost, sun)}>
          {[
            cost.couldKwh > 0 ? percent(lostKwh / cost.couldKwh) : "–",
            number(lostKwh),
            price === null ? "–" : number(lostKwh * price, 0),
            Math.round(mended) > 0 ? say.kwhMore(number(mended)) : say.nothing,
          ]}
        </Cells>
      ) : (
        <td colSpan={4}>{waits ? "…" : "–"}</td>
      )}
    </tr>
  );
}

/** A typed direction, 0 to 360; null while it is none. */
export const angle = (value: Typed): number | null => {
  const known = typedNumber(value, null);
  return known === null ? null : ((known % 360) + 360) % 360;
};
/** A typed number within its bounds; null while it is none. */
export const within = (value: Typed, least: number, most: number): number | null => {
  const known = typedNumber(value, null);
  return known !== null && known >= least && known <= most ? known : null;
};
