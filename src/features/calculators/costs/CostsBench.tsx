"use client";

import { useCallback, useState } from "react";
import type { MistakeCost } from "@/core/comparison";
import { pricePerKwh } from "@/core/money";
import { siteOn } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { MISTAKE_NAMES, say } from "@/wording/screens/calculators-costs";
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
type Kind = (typeof ROWS)[number][0];
type Answers = Partial<Record<Kind, MistakeCost | null>>;

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
  const sentence = worst ? costWords(worst, price, book.currency) : Object.keys(answers).length > 0 ? say.nothingSaidCosts : "";
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="costs-sentence">
        {sentence === "" ? say.runningTheYear : `${sunWords(sun)}${sentence}`}
      </p>
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
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={worst ? sentence : ""} />
    </>
  );
}

const sunWords = ({ kind }: BenchSun): string =>
  kind === "cloudless" ? `${say.underACloudlessSky} ` : kind === "usual" ? `${say.inAUsualYear} ` : "";

interface Worst {
  readonly kind: Kind;
  readonly lostKwh: number;
  readonly lostFrac: number;
}

/** The mistake that takes most; null where none takes anything. */
function worstOf(answers: Answers): Worst | null {
  const lost = Object.entries(answers).flatMap(([kind, cost]): Worst[] => {
    if (!cost || cost.couldKwh <= 0) return [];
    const lostKwh = cost.couldKwh - cost.isKwh;
    return lostKwh > 0 ? [{ kind: kind as Kind, lostKwh, lostFrac: lostKwh / cost.couldKwh }] : [];
  });
  return lost.reduce<Worst | null>((a, b) => (a && a.lostKwh >= b.lostKwh ? a : b), null);
}

const costWords = ({ kind, lostKwh, lostFrac }: Worst, price: number | null, currency: string): string =>
  say.mostIsLostBy(
    MISTAKE_NAMES[kind],
    `${number(lostKwh)} kWh`,
    percent(lostFrac),
    price === null ? "" : say.worthOf(number(lostKwh * price, 0), currency),
  );
