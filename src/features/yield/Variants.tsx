"use client";

import { Button, TextInput, VisuallyHidden } from "@mantine/core";
import type { Remote } from "comlink";
import { line, scaleLinear, scalePoint } from "d3";
import { type Dispatch, type SetStateAction, useEffect, useState } from "react";
import { ValueAxis } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import { type Variant, variantSchema } from "@/contracts/what-if";
import { applyWhatIf, type WhatIf, type YieldLine } from "@/core/yield";
import { ask, tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import type { YieldEngine } from "./engine.worker";
import { STROKES, VariantRow } from "./VariantRow";
import { wordsOf } from "./what-if-words";
import styles from "./Yield.module.css";
import type { YieldPageProps } from "./yield-props";

const MOST_COMPARED = 4;

interface Props extends YieldPageProps {
  readonly engine: Remote<YieldEngine> | null;
  readonly whatIf: WhatIf;
  readonly take: (whatIf: WhatIf) => void;
}

interface Compared {
  readonly variant: Variant;
  readonly lines: readonly YieldLine[];
}

/** Keeps the change under a name, and sets up to four kept ones side by side. */
export function Variants(props: Props) {
  const { slug, variants, whatIf, take, engine, site, year } = props;
  const [name, setName] = useState("");
  const [chosen, setChosen] = useState<readonly number[]>(variants.slice(0, MOST_COMPARED).map(({ id }) => id));
  const compared = useCompared(engine, variants, chosen);
  const base = useCompared(engine, BASE, BASE_IDS)[0]?.lines ?? null;
  const { run: send, refusal } = useChange((work: () => Promise<void>) => work());
  const keep = () =>
    send(async () => {
      const called = name || wordsOf(whatIf);
      const body = { name: called, whatIf, over: variants.find((variant) => variant.name === called)?.version ?? null };
      const kept = await ask(variantSchema, `/api/books/${slug}/variants`, { method: "POST", body });
      setName("");
      setChosen((current) => (current.length < MOST_COMPARED && !current.includes(kept.id) ? [...current, kept.id] : current));
    });
  const toggle = (id: number) =>
    setChosen((current) => (current.includes(id) ? current.filter((other) => other !== id) : [...current, id].slice(-MOST_COMPARED)));
  return (
    <section className={styles.variants}>
      <KeepVariant whatIf={whatIf} name={name} setName={setName} keep={keep} variants={variants} />
      {refusal && <Refused refusal={refusal} />}
      {variants.length > 0 && base && (
        <div className={styles.compare}>
          <VariantsTable
            year={year}
            site={site}
            base={base}
            variants={variants}
            chosen={chosen}
            compared={compared}
            toggle={toggle}
            take={take}
            send={send}
            slug={slug}
          />
          <ChartFrame
            title={say.differenceFromAsBuiltKwhA}
            fileName={`${slug}-${year}-variants`}
            height={150}
            summary={say.eachComparedVariantsMonthlyEnergyLess}
            table={() => [
              ["month", "as_built_kwh", ...compared.map(({ variant }) => variant.name)],
              ...base.map((built, k) => [built.key, built.expectedKwh, ...compared.map(({ lines }) => lines[k]?.expectedKwh ?? null)]),
            ]}
          >
            {(width) => <VariantCurves base={base} compared={compared} width={width} height={150} />}
          </ChartFrame>
        </div>
      )}
    </section>
  );
}

interface KeepVariantProps {
  readonly whatIf: WhatIf;
  readonly name: string;
  readonly setName: Dispatch<SetStateAction<string>>;
  readonly keep: () => void;
  readonly variants: Props["variants"];
}

/** What is on the dials, under a name of its own. */
function KeepVariant({ whatIf, name, setName, keep, variants }: KeepVariantProps) {
  return (
    <div className={styles.keep}>
      <TextInput
        aria-label={say.nameOfTheVariant}
        placeholder={wordsOf(whatIf) || say.changeSomethingFirst}
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <Button onClick={keep} disabled={wordsOf(whatIf) === ""}>
        {say.keepAsAVariant}
      </Button>
      <span className={chapter.soft}>{variants.length === 0 ? say.keptVariantsStandHereUpTo : ""}</span>
    </div>
  );
}

interface VariantsTableProps {
  readonly year: string;
  readonly site: SiteDocument;
  readonly base: readonly YieldLine[];
  readonly variants: readonly Variant[];
  readonly chosen: readonly number[];
  readonly compared: readonly Compared[];
  readonly toggle: (id: number) => void;
  readonly take: (whatIf: WhatIf) => void;
  readonly send: (value: () => Promise<void>) => void;
  readonly slug: string;
}

function VariantsTable({ year, site, base, variants, chosen, compared, toggle, take, send, slug }: VariantsTableProps) {
  return (
    <ScrollBox label="Variants">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">variant</th>
            <th scope="col">kWp</th>
            <th scope="col">kW AC</th>
            <th scope="col">{year}, kWh</th>
            <th scope="col">winter half</th>
            <th scope="col">difference</th>
            <th scope="col">
              <VisuallyHidden component="span">actions</VisuallyHidden>
            </th>
          </tr>
        </thead>
        <tbody>
          <VariantRow name="As built" site={site} lines={base} base={base} />
          {variants.map((variant) => {
            const place = chosen.indexOf(variant.id);
            return (
              <VariantRow
                key={variant.id}
                name={variant.name}
                site={applyWhatIf(site, variant.whatIf)}
                lines={compared.find((current) => current.variant.id === variant.id)?.lines ?? null}
                base={base}
                stroke={place < 0 ? null : STROKES[place]!}
                toggle={() => toggle(variant.id)}
                take={() => take(variant.whatIf)}
                remove={() => send(() => tell("DELETE", `/api/books/${slug}/variants/${variant.id}`))}
              />
            );
          })}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

const BASE: readonly Variant[] = [{ id: 0, version: 0, name: "", whatIf: { arrayId: null } }];
const BASE_IDS = [0] as const;

/** Months of the chosen variants, in the order in which they were chosen. */
function useCompared(engine: Remote<YieldEngine> | null, variants: readonly Variant[], chosen: readonly number[]): readonly Compared[] {
  const [compared, setCompared] = useState<readonly Compared[]>([]);
  useEffect(() => {
    if (!engine) return;
    let stale = false;
    const asked = chosen.map((id) => variants.find((variant) => variant.id === id)).filter((variant) => variant !== undefined);
    void Promise.all(asked.map(async (variant) => ({ variant, lines: await engine.run(variant.whatIf) }))).then((answers) => {
      if (!stale) setCompared(answers);
    });
    return () => {
      stale = true;
    };
  }, [engine, variants, chosen]);
  return compared;
}

function VariantCurves({
  base,
  compared,
  width,
  height,
}: {
  base: readonly YieldLine[];
  compared: readonly Compared[];
  width: number;
  height: number;
}) {
  const gaps = compared.map(({ lines }) => lines.map((l, k) => l.expectedKwh - (base[k]?.expectedKwh ?? 0)));
  const most = Math.max(1, ...gaps.flat().map(Math.abs));
  const x = scalePoint(
    base.map((l) => l.key),
    [52, width - 8],
  );
  const y = scaleLinear([-most, most], [height - 20, 8]).nice(3);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={52} to={width - 8} count={4} label={(kwh) => number(kwh)} zero />
      {base.map(({ key }) => (
        <text key={key} x={x(key)} y={height - 4} textAnchor="middle">
          {"JFMAMJJASOND"[Number(key.slice(5, 7)) - 1]}
        </text>
      ))}
      {gaps.map((gap, g) => (
        <path
          key={compared[g]!.variant.id}
          d={
            line<number>(
              (_, k) => x(base[k]!.key)!,
              (value) => y(value),
            )(gap) ?? ""
          }
          fill="none"
          stroke={STROKES[g]!.colour}
          strokeDasharray={STROKES[g]!.dash}
          strokeWidth={2}
        />
      ))}
    </g>
  );
}
