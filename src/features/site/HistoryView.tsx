import { Button, NumberInput, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { DatedLine, type DatedMark } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import { siteOn } from "@/core/site";
import type { RevisionEffect } from "@/core/yield";
import { useEngineAnswer, useGeometry } from "@/features/data/geometry/use-geometry";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { differenceWorking } from "@/wording/workings/yield-workings";
import { changedFields, inWords, withValue } from "./revision-words";
import styles from "./SiteChapter.module.css";
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
            <div className={styles.type} key={i} onFocusCapture={() => setSelected(revision.from)}>
              <div className={styles.revision}>
                <TextInput label="From (2023-05-10)" {...form.getInputProps(`revisions.${i}.from`)} />
                <TextInput label="Note" {...form.getInputProps(`revisions.${i}.note`)} />
                {changedFields(revision.change).map((field) =>
                  typeof field.value === "number" ? (
                    <NumberInput
                      key={field.path.join(".")}
                      label={`${field.where} ${FIELD_NAMES[field.field] ?? field.field}`}
                      hideControls
                      value={field.value}
                      onChange={(value) =>
                        typeof value === "number" &&
                        form.setFieldValue(`revisions.${i}.change`, withValue(revision.change, field.path, value))
                      }
                    />
                  ) : (
                    <TextInput
                      key={field.path.join(".")}
                      label={`${field.where} ${FIELD_NAMES[field.field] ?? field.field}`}
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
          ))}
        </section>
        <NewRevision draft={draft} today={today} />
      </div>
    </>
  );
}

const FIELD_NAMES: Readonly<Record<string, string>> = {
  tiltDeg: "tilt, °",
  azimuthDeg: "azimuth, °",
  eastM: say.middleEastM,
  northM: say.middleNorthM,
  count: "modules",
  acRatedW: say.acRatingW,
  ratedEfficiencyFrac: "efficiency, 0 to 1",
  point: "point",
  module: "module",
};

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

const KINDS = [
  { value: "tilt", label: "tilt changed" },
  { value: "azimuth", label: "array turned" },
  { value: "east", label: say.arrayMovedEastOrWest },
  { value: "north", label: say.arrayMovedNorthOrSouth },
  { value: "count", label: say.modulesAddedOrTaken },
  { value: "inverter", label: "inverter swapped" },
  { value: "meter", label: "meter moved" },
] as const;
type Kind = (typeof KINDS)[number]["value"];
const KEYS: Readonly<Record<Kind, string>> = {
  tilt: "tiltDeg",
  azimuth: "azimuthDeg",
  east: "eastM",
  north: "northM",
  count: "count",
  inverter: "acRatedW",
  meter: "point",
};
const METER_POINTS = ["dc", "ac", "net", "export", "import"];

/** A change that happened on a date, put together from a few choices. */
function NewRevision({ draft: { form, site }, today }: { draft: SiteViewProps["draft"]; today: string }) {
  const [kind, setKind] = useState<Kind>("tilt");
  const [from, setFrom] = useState(today);
  const [note, setNote] = useState("");
  const stood = siteOn(site, from);
  const subjects = kind === "inverter" ? stood.inverters : kind === "meter" ? stood.meters : stood.arrays;
  const [chosen, setChosen] = useState<string | null>(null);
  const subject = subjects.find((item) => item.id === chosen) ?? subjects[0];
  const [value, setValue] = useState<number | string>("");
  const list = kind === "inverter" ? "inverters" : kind === "meter" ? "meters" : "arrays";
  const key = KEYS[kind];
  const known = subject ? (subject as unknown as Record<string, unknown>)[key] : undefined;
  const ready = subject !== undefined && value !== "" && /^\d{4}-\d\d-\d\d$/.test(from);
  const add = (): void => {
    if (!ready) return;
    const extra = kind === "tilt" ? { tiltSchedule: [] } : {};
    const revision = { from, note, change: { [list]: [{ id: subject.id, [key]: value, ...extra }] } };
    form.setFieldValue(
      "revisions",
      [...form.getValues().revisions, revision].sort((a, b) => a.from.localeCompare(b.from)),
    );
    setValue("");
    setNote("");
  };
  return (
    <section className={chapter.section}>
      <h2>{say.writeDownAChange}</h2>
      <div className={styles.grid}>
        <Select
          label="What"
          data={[...KINDS]}
          value={kind}
          allowDeselect={false}
          onChange={(next) => {
            setKind(next as Kind);
            setValue("");
          }}
        />
        <TextInput label="From (2023-05-10)" value={from} onChange={(event) => setFrom(event.currentTarget.value)} />
        <Select
          label="Of"
          data={subjects.map((item) => ({ value: item.id, label: ("name" in item && item.name) || item.id }))}
          value={subject?.id ?? null}
          allowDeselect={false}
          onChange={setChosen}
        />
        {kind === "meter" ? (
          <Select
            label={say.nowMeteredWas(String(known))}
            data={METER_POINTS}
            value={value === "" ? null : String(value)}
            onChange={(next) => setValue(next ?? "")}
          />
        ) : (
          <ValueField kind={kind} label={`${FIELD_NAMES[key]} (was ${String(known)})`} value={value} set={setValue} site={site} />
        )}
        <TextInput className={styles.wide} label="Note" value={note} onChange={(event) => setNote(event.currentTarget.value)} />
      </div>
      <div className={chapter.actions}>
        <Button onClick={add} disabled={!ready}>
          {say.addToTheHistory}
        </Button>
      </div>
      <p className={chapter.soft}>{say.theLedgerReadsEachMonthWith}</p>
      <p className={chapter.caution}>{say.beforeAnArrayIsMovedOr}</p>
    </section>
  );
}

interface ValueFieldProps {
  readonly kind: Kind;
  readonly label: string;
  readonly value: number | string;
  readonly set: (value: number | string) => void;
  readonly site: SiteDocument;
}

/** The new value; angles with their tools. */
function ValueField({ kind, label, value, set, site }: ValueFieldProps) {
  const { latitudeDeg } = site.place;
  if (kind === "tilt")
    return <TiltField label={label} plain latitudeDeg={latitudeDeg} azimuthDeg={site.arrays[0]!.azimuthDeg} value={value} onChange={set} />;
  if (kind === "azimuth") return <AzimuthField label={label} plain place={site.place} value={value} onChange={set} />;
  return <NumberInput label={label} hideControls value={value} onChange={set} />;
}
