import { Button, Select, TextInput } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { siteOn } from "@/core/site";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/site";
import styles from "./SiteChapter.module.css";
import type { SiteViewProps } from "./view-parts";

export const FIELD_NAMES: Readonly<Record<string, string>> = {
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
export function NewRevision({ draft: { form, site }, today }: { draft: SiteViewProps["draft"]; today: string }) {
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
        <KindChoice kind={kind} setKind={setKind} setValue={setValue} />
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

interface KindChoiceProps {
  readonly kind: "tilt" | "azimuth" | "east" | "north" | "count" | "inverter" | "meter";
  readonly setKind: Dispatch<SetStateAction<"tilt" | "azimuth" | "east" | "north" | "count" | "inverter" | "meter">>;
  readonly setValue: Dispatch<SetStateAction<string | number>>;
}

function KindChoice({ kind, setKind, setValue }: KindChoiceProps) {
  return (
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
  return <NumberField label={label} value={value} onChange={set} />;
}
