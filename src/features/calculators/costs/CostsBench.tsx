"use client";

import { useCallback, useState } from "react";
import type { MistakeCost } from "@/core/comparison";
import { pricePerKwh } from "@/core/money";
import { siteOn } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { MISTAKE_NAMES, say } from "@/wording/screens/calculators-costs";
import { mistakeWorking } from "@/wording/workings/mistake-working";
import { ArrayField } from "../ArrayField";
import bench from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";
import { useOwnModules } from "../own-modules/use-own-modules";
import { useBenchEngine } from "../use-bench-engine";
import { type Typed, typedNumber } from "../use-number-fields";
import { LateRow, LeftRow, TiltRow, TurnRow } from "./angle-rows";
import type { RowProps } from "./CostRow";
import styles from "./Costs.module.css";
import { CableRow, DirtRow, ShadeRow, StringRow } from "./matter-rows";
import { type Answers, type Kind, type Worst, worstOf } from "./worst";

const ROWS = [
  ["azimuth", TurnRow],
  ["tilt", TiltRow],
  ["left", LeftRow],
  ["late", LateRow],
  ["shade", ShadeRow],
  ["dirt", DirtRow],
  ["cable", CableRow],
  ["string", StringRow],
] as const;

/** What people get wrong, on one page: each mistake in per cent, kilowatt-hours and money a year, on the sun that there is, and what mending it brings. */
export function CostsBench({ slug, site: book, sun, nowUtcMs }: BenchProps) {
  const today = siteOn(book, new Date(nowUtcMs).toISOString().slice(0, 10));
  const modules = useOwnModules(book);
  const site = { ...book, ...today, modules: modules.all } as BenchProps["site"];
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const [typedPrice, setTypedPrice] = useState<Typed>("");
  const known = pricePerKwh(book);
  const price = known ?? typedNumber(typedPrice, null);
  const [answers, setAnswers] = useState<Answers>({});
  const { engine } = useBenchEngine(slug, book, sun);
  const tell = useCallback(
    (kind: Kind, cost: MistakeCost | null) => setAnswers((before) => (before[kind] === cost ? before : { ...before, [kind]: cost })),
    [],
  );
  const worst = worstOf(answers);
  return (
    <>
      <CostsVerdict worst={worst} price={price} sun={sun} currency={book.currency} />
      <div className={bench.tools}>
        <ArrayField site={book} value={array.id} onChange={setArrayId} />
        {known === null && slug !== null && (
          <NumberField label={say.aKwhIsWorth} unit={book.currency} min={0} value={typedPrice} onChange={setTypedPrice} />
        )}
      </div>
      <ScrollBox label={say.whatItCosts}>
        <RuledTable className={`${chapter.table} ${styles.costs}`}>
          <thead>
            <tr>
              <th scope="col">{say.howItIs}</th>
              <th scope="col">{say.lost}</th>
              <th scope="col">{say.kwhAYear}</th>
              <th scope="col">{say.moneyAYear(book.currency)}</th>
              <th scope="col">{say.mendingBrings}</th>
            </tr>
          </thead>
          <tbody>
            {ROWS.map(([kind, Row]) => {
              const props: RowProps = { site, array, engine, sun, price, tell };
              // Another array has other angles: what was typed for the last one does not stay behind.
              return <Row key={`${kind} ${array.id}`} {...props} />;
            })}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p className={chapter.soft}>{say.eachByItself}</p>
      <p className={chapter.caution}>{say.beforeAnyoneGoesUp}</p>
      <BenchNote
        slug={slug}
        nowUtcMs={nowUtcMs}
        words={worst !== null && worst !== "nothing" ? noteWords(worst, price, book.currency) : ""}
      />
    </>
  );
}

interface VerdictProps {
  readonly worst: ReturnType<typeof worstOf>;
  readonly price: number | null;
  readonly sun: BenchSun;
  readonly currency: string;
}

/** Which of the mistakes costs most. */
function CostsVerdict({ worst, price, sun, currency }: VerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="2" data-testid="costs-sentence">
      {worst === null ? say.runningTheYear : sun.opening}
      {worst === "nothing" && say.nothingSaidCosts}
      {worst !== null && worst !== "nothing" && (
        <>
          {say.mostIsLostBy(MISTAKE_NAMES[worst.kind])}
          <Figure working={() => mistakeWorking(worst.kind, worst.cost, sun)}>{`${number(worst.lostKwh)} kWh`}</Figure>
          {shareWords(worst, price, currency)}
        </>
      )}
    </p>
  );
}

const shareWords = ({ lostKwh, lostFrac }: Worst, price: number | null, currency: string): string =>
  say.aYearOfIt(percent(lostFrac), price === null ? "" : say.worthOf(number(lostKwh * price, 0), currency));

const noteWords = (worst: Worst, price: number | null, currency: string): string =>
  `${say.mostIsLostBy(MISTAKE_NAMES[worst.kind])}${number(worst.lostKwh)} kWh${shareWords(worst, price, currency)}`;
