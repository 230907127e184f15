"use client";

import { Checkbox, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useReducer, useState } from "react";
import { meterMonthsSchema } from "@/contracts/meter-months";
import { nameplateW, partOfSite } from "@/core/site";
import { type Differing, type TotalsReport, type TotalsSide, totalsTrial, whatDiffers } from "@/core/trial";
import { ask } from "@/features/data/ask";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Grid } from "@/features/readings/Grid";
import { emptyGrid, gridReducer } from "@/features/readings/grid-state";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-sides";
import { totalsVerdict } from "@/wording/totals";
import { differenceInWords } from "@/wording/trial";
import { totalsWorking } from "@/wording/workings/totals-workings";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { type Typed, typedNumber } from "../use-number-fields";
import { cellsOfMeters, TICKED, totalRows, unreadCells } from "./sides-table";

/** A reading of a display: so many watts before the inverter, so many behind it. */
const PAIR_OFF = 0.02;
/** An efficiency by its nameplate stands for a device's own to about this share. */
const PLATE_OFF = 0.01;

interface SideForm {
  readonly name: string;
  readonly kwp: Typed;
  readonly point: "ac" | "dc";
  /** Of a display, for a side that is read before its inverter. */
  readonly dcW: Typed;
  readonly acW: Typed;
  readonly efficiency: Typed;
}

function sideOf({ name, kwp, point, dcW, acW, efficiency }: SideForm): TotalsSide | null {
  const peak = typedNumber(kwp, null);
  if (peak === null || peak <= 0) return null;
  const [dc, ac] = [typedNumber(dcW, null), typedNumber(acW, null)];
  if (point === "ac") return { name, kwp: peak, toAcFrac: 1, toAcOff: 0 };
  if (dc !== null && ac !== null && dc > 0 && ac > 0 && ac <= dc) return { name, kwp: peak, toAcFrac: ac / dc, toAcOff: PAIR_OFF };
  return { name, kwp: peak, toAcFrac: typedNumber(efficiency, 96) / 100, toAcOff: PLATE_OFF };
}

/** Two sides by their totals: typed, pasted, or those of the book's meters. */
export function TwoSides({ slug, site, nowUtcMs }: BenchProps) {
  const meters = site.meters.filter(({ point }) => point === "ac" || point === "dc");
  const firstForm = (k: number): SideForm => {
    const meter = meters.length >= 2 ? meters[k] : undefined;
    const own = meter ? partOfSite(site, meter.arrays) : site;
    const efficiency = (own.inverters[0]?.ratedEfficiencyFrac ?? 0.96) * 100;
    return {
      name: meter?.id ?? (k === 0 ? say.firstSide : say.secondSide),
      kwp: Number((nameplateW(own) / 1000 / (meter ? 1 : 2)).toFixed(2)),
      point: meter?.point === "dc" ? "dc" : "ac",
      dcW: "",
      acW: "",
      efficiency: Number(efficiency.toFixed(1)),
    };
  };
  const [forms, setForms] = useState<readonly [SideForm, SideForm]>(() => [firstForm(0), firstForm(1)]);
  const [state, dispatch] = useReducer(gridReducer, emptyGrid(12, 3));
  const [ticked, setTicked] = useState<readonly Differing[]>(() => bookDifferences(site, meters));
  useMetersOf(slug, meters, (cells) => dispatch({ kind: "paste", row: 0, column: 0, values: cells }));
  const [a, b] = forms.map(sideOf) as [TotalsSide | null, TotalsSide | null];
  const report = a && b ? totalsTrial(a, b, totalRows(state.cells)) : null;
  const words = report && a && b ? totalsVerdict(report, a.name, b.name) : "";
  const unread = unreadCells(state.cells);
  const set = (k: 0 | 1, change: Partial<SideForm>): void =>
    setForms(forms.map((form, at) => (at === k ? { ...form, ...change } : form)) as [SideForm, SideForm]);
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="sides-sentence">
        {report && a && b ? (
          <>
            <Figure working={() => totalsWorking(report, a, b)}>{percent(report.frac)}</Figure>
            {words}
          </>
        ) : (
          say.typeTheTotals
        )}
      </p>
      <div className={styles.rowsGrid}>
        <div>
          {([0, 1] as const).map((k) => (
            <SideFields key={k} form={forms[k]} set={(change) => set(k, change)} title={k === 0 ? say.firstSide : say.secondSide} />
          ))}
          <section className={chapter.section}>
            <h2>{say.whatDiffersBetweenThem}</h2>
            <div className={styles.ticks}>
              {TICKED.map((what) => (
                <Checkbox
                  key={what}
                  size="xs"
                  label={differenceInWords(what)}
                  checked={ticked.includes(what)}
                  onChange={({ currentTarget }) =>
                    setTicked(currentTarget.checked ? [...ticked, what] : ticked.filter((each) => each !== what))
                  }
                />
              ))}
            </div>
            <p className={ticked.length > 1 ? chapter.clay : chapter.soft} data-testid="sides-apart">
              {ticked.length > 1 ? say.cantBeToldApart(ticked.map(differenceInWords).join("; ")) : say.oneThingAlone}
            </p>
          </section>
          <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={report ? `Two sides: ${percent(report.frac)}${words}` : ""} />
        </div>
        <div>
          <Grid
            label={say.totalsOfBoth}
            columns={[
              { name: "span", title: say.monthOrSpan, hint: "2025-03" },
              { name: "first_kwh", title: `${forms[0].name}, kWh`, hint: "" },
              { name: "second_kwh", title: `${forms[1].name}, kWh`, hint: "" },
            ]}
            state={state}
            dispatch={dispatch}
            isNamed={false}
            margin={{ head: say.secondToFirst, values: ratios(report, state.cells) }}
          />
          {unread.map(({ row, text }) => (
            <p key={`${row} ${text}`} className={chapter.clay}>
              {say.noNumber(row, text)}
            </p>
          ))}
          {report && report.leftOut.length > 0 && <p className={chapter.soft}>{say.leftOut(report.leftOut.join(", "))}</p>}
        </div>
      </div>
    </>
  );
}

/** The ratio of each line, in per cent of the first. */
function ratios(report: TotalsReport | null, cells: readonly (readonly string[])[]): (number | null)[] {
  const byLabel = new Map(report?.pairs.map(({ label, frac }) => [label, 100 * (1 + frac)]));
  return cells.map(([label = ""], k) => byLabel.get(label.trim() || `line ${k + 1}`) ?? null);
}

/** What the book itself knows to differ between the arrays of its two first meters. */
function bookDifferences(site: BenchProps["site"], meters: readonly BenchProps["site"]["meters"][number][]): readonly Differing[] {
  if (meters.length < 2) return [];
  const [a, b] = meters.slice(0, 2).map(({ id, point, arrays }) => ({
    name: id,
    site: partOfSite(site, arrays),
    point,
    meteredKwh: new Float64Array(0),
  }));
  return a && b ? whatDiffers(a, b).flatMap(({ what }) => (what === "metering" ? [] : [what])) : [];
}

/** Fills the table with the months of the book's two first meters, where they have any. */
function useMetersOf(slug: string | null, meters: readonly { readonly id: string }[], fill: (cells: string[][]) => void): void {
  const { data } = useQuery({
    queryKey: ["meter-months", slug],
    queryFn: ({ signal }) => ask(meterMonthsSchema, `/api/books/${slug}/meter-months`, { signal }),
    enabled: slug !== null && meters.length >= 2,
    staleTime: Number.POSITIVE_INFINITY,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: filled once, when the months have come
  useEffect(() => {
    const [a, b] = meters;
    if (data && a && b) {
      const cells = cellsOfMeters(data, a.id, b.id);
      if (cells.length > 0) fill(cells);
    }
  }, [data]);
}

interface SideFieldsProps {
  readonly form: SideForm;
  readonly set: (change: Partial<SideForm>) => void;
  readonly title: string;
}

/** A side: its size, and where its meter sits. */
function SideFields({ form, set, title }: SideFieldsProps) {
  return (
    <fieldset className={styles.string}>
      <legend>{title}</legend>
      <div className={styles.inputs}>
        <NumberField label="Size" unit="kWp" min={0} value={form.kwp} onChange={(kwp) => set({ kwp })} />
        <NativeSelect
          label={say.itsMeterSits}
          data={[
            { value: "ac", label: say.behindTheInverter },
            { value: "dc", label: say.beforeTheInverter },
          ]}
          value={form.point}
          onChange={({ currentTarget }) => set({ point: currentTarget.value as SideForm["point"] })}
        />
        {form.point === "dc" && (
          <>
            <NumberField
              label={say.displayDc}
              unit="W"
              min={0}
              placeholder={say.ifThereIsOne}
              value={form.dcW}
              onChange={(dcW) => set({ dcW })}
            />
            <NumberField
              label={say.displayAc}
              unit="W"
              min={0}
              placeholder={say.ifThereIsOne}
              value={form.acW}
              onChange={(acW) => set({ acW })}
            />
            <NumberField
              label={say.elseEfficiency}
              unit="%"
              min={50}
              max={100}
              value={form.efficiency}
              onChange={(efficiency) => set({ efficiency })}
            />
          </>
        )}
      </div>
    </fieldset>
  );
}
