import { Button, TextInput } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { DatedLine, type DatedMark } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import type { RevisionEffect } from "@/core/yield";
import { useEngineAnswer, useGeometry } from "@/features/data/geometry/use-geometry";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { fieldInWords } from "@/wording/fields";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { differenceWorking } from "@/wording/workings/yield-workings";
import { FIELD_NAMES, NewRevision } from "./NewRevision";
import { changedFields, inWords, withValue } from "./revision-words";
import styles from "./SiteChapter.module.css";
import type { SiteForm } from "./site-values";
import { CloudlessNote, type SiteViewProps } from "./view-parts";

/** What changed on the site and when, each change with what it is worth a year. */
export function HistoryView({ slug, draft, year, today }: SiteViewProps & { readonly today: string }) {
  const { form, site } = draft;
  const { engine, refusal } = useGeometry(slug, year);
  const [selected, setSelected] = useState<string | null>(null);
  const effects = useEngineAnswer(engine, site, (remote, asked) => remote.revisions(asked));
  const marks: DatedMark[] = [
    ...(site.commissioned ? [{ on: site.commissioned, label: "commissioned", kind: "start" as const }] : []),
    ...site.revisions.map(({ from, note, change }) => ({
      on: from,
      label: note || changedFields(change).map(inWords).join(", "),
      kind: "revision" as const,
    })),
  ].sort((a, b) => a.on.localeCompare(b.on));
  return (
    <>
      <HistorySentence site={site} effects={effects} year={year} />
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      <CloudlessNote slug={slug} year={year} />
      {marks.length > 0 && (
        <ChartFrame
          title={say.theSiteThroughTime}
          fileName={`${slug}-history`}
          height={96}
          summary={say.datesOfTheSite(marks.length)}
          table={() => [["on", "what"], ...marks.map(({ on, label }) => [on, label])]}
        >
          {(width) => <DatedLine width={width} height={96} marks={marks} until={today} selected={selected} />}
        </ChartFrame>
      )}
      <div className={`${chapter.columns} ${styles.halves}`}>
        <section className={chapter.section}>
          <h2>Revisions</h2>
          {form.values.revisions.length === 0 && <p className={chapter.soft}>{say.noneTheSiteStandsAsIt}</p>}
          {form.values.revisions.map((revision, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: dates and notes are edited here, so the place is the key
            <RevisionLine key={i} i={i} setSelected={setSelected} revision={revision} form={form} effects={effects} />
          ))}
        </section>
        <NewRevision draft={draft} today={today} />
      </div>
    </>
  );
}

interface RevisionLineProps {
  readonly i: number;
  readonly setSelected: Dispatch<SetStateAction<string | null>>;
  readonly revision: { from: string; note: string; change: Record<string, unknown> };
  readonly form: SiteForm;
  readonly effects: RevisionEffect[] | null;
}

function RevisionLine({ i, setSelected, revision, form, effects }: RevisionLineProps) {
  return (
    <div className={styles.type} onFocusCapture={() => setSelected(revision.from)}>
      <div className={styles.revision}>
        <TextInput label="From (2023-05-10)" {...form.getInputProps(`revisions.${i}.from`)} />
        <TextInput label="Note" {...form.getInputProps(`revisions.${i}.note`)} />
        {changedFields(revision.change).map((field) =>
          typeof field.value === "number" ? (
            <NumberField
              key={field.path.join(".")}
              label={`${field.where} ${FIELD_NAMES[field.field] ?? fieldInWords([field.field])}`}
              value={field.value}
              onChange={(value) =>
                typeof value === "number" && form.setFieldValue(`revisions.${i}.change`, withValue(revision.change, field.path, value))
              }
            />
          ) : (
            <TextInput
              key={field.path.join(".")}
              label={`${field.where} ${FIELD_NAMES[field.field] ?? fieldInWords([field.field])}`}
              value={JSON.stringify(field.value)}
              readOnly
            />
          ),
        )}
      </div>
      <div className={styles.effect}>
        <EffectText effect={effects?.[i]} name={revision.note || revision.from} />
        <Button
          variant="subtle"
          size="compact-xs"
          onClick={() => form.removeListItem("revisions", i)}
          aria-label={say.removeTheRevisionOf(revision.from)}
        >
          Remove
        </Button>
      </div>
    </div>
  );
}

function EffectText({ effect, name }: { effect: RevisionEffect | undefined; name: string }) {
  if (!effect) return <span className={chapter.soft}>…</span>;
  const change = effect.afterKwh - effect.beforeKwh;
  if (Math.abs(change) < 0.5) return <span>{say.changesNothingInWhatIsExpected}</span>;
  return (
    <span>
      {change > 0 ? "Brings" : "Costs"}{" "}
      <Figure
        working={() =>
          differenceWorking(name, { name: say.expectedWithIt, kwh: effect.afterKwh }, { name: say.expectedBeforeIt, kwh: effect.beforeKwh })
        }
      >
        <b>{number(Math.abs(change))} kWh</b>
      </Figure>{" "}
      a year ({change > 0 ? "+" : ""}
      {percent(change / effect.beforeKwh)}).
    </span>
  );
}

function HistorySentence({ site, effects, year }: { site: SiteDocument; effects: readonly RevisionEffect[] | null; year: string | null }) {
  const since = site.commissioned ? ` since ${site.commissioned}` : "";
  if (site.revisions.length === 0) return <p className={chapter.verdict}>{say.theSiteStandsAsItWas(since)}</p>;
  if (effects?.length !== site.revisions.length)
    return <p className={chapter.verdict}>{say.runningBeforeAndAfterEachChange(year ?? say.aCloudlessYear)}</p>;
  const change = effects.reduce((sum, { beforeKwh, afterKwh }) => sum + afterKwh - beforeKwh, 0);
  // The site as it was built stands before the revision with the earliest date.
  const [earliest] = site.revisions
    .map((revision, k) => ({ revision, effect: effects[k]! }))
    .sort((a, b) => a.revision.from.localeCompare(b.revision.from));
  const first = earliest!.effect;
  return (
    <p className={chapter.verdict}>
      {site.revisions.length === 1 ? "One change" : `${site.revisions.length} changes`}
      {since};{" "}
      {site.revisions.length === 1 ? (change >= 0 ? "it brings" : "it costs") : change >= 0 ? say.togetherTheyBring : say.togetherTheyCost}{" "}
      <Figure
        working={() =>
          differenceWorking(
            say.allChangesTogether,
            {
              name: say.expectedAsItStandsNow,
              kwh: effects.reduce((sum, { beforeKwh, afterKwh }) => sum + afterKwh - beforeKwh, first.beforeKwh),
            },
            { name: say.expectedAsItWasBuilt, kwh: first.beforeKwh },
          )
        }
      >
        {number(Math.abs(change))} kWh
      </Figure>
      {say.aYearInTheWeatherOf(year ?? say.aCloudlessYear)}
    </p>
  );
}
