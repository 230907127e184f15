"use client";

import { Button, Select } from "@mantine/core";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";
import { checkDisplay, type DisplayCheck } from "@/core/readings";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { type ImportDeskProps, ImportSteps } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";
import { useImport } from "./use-import";

const FAULTS: Readonly<Record<DisplayCheck["faults"][number], string>> = {
  "more-ac-than-dc": say.moreAcThanDcIsImpossible,
  "poor-efficiency": say.lessThan88ComesThroughAn,
  "inputs-unequal": say.oneInputCarriesClearlyLessCurrent,
  "ac-disagrees": say.acVoltsTimesAmpsDoNot,
};

export function DisplaySection(props: ImportDeskProps) {
  const [meter, setMeter] = useState<string | null>(props.meters[0] ?? null);
  const [at, setAt] = useState(() => new Date().toISOString().slice(0, 16));
  const [values, setValues] = useState<Record<string, number | string>>({});
  const way = useImport(props.slug);
  const field = (name: string, label: string) => (
    <NumberField size="xs" label={label} value={values[name] ?? ""} onChange={(value) => setValues({ ...values, [name]: value })} min={0} />
  );
  const number_ = (name: string): number => (values[name] === undefined || values[name] === "" ? Number.NaN : Number(values[name]));
  const check = checkDisplay({
    dcInputs: [1, 2, 3].map((k) => ({ volts: number_(`dcV${k}`), amps: number_(`dcA${k}`) })),
    acVolts: number_("acV"),
    acAmps: number_("acA"),
    acW: number_("acW"),
  });
  const lifetime = number_("lifetime");
  const keep = () =>
    void way.take([
      new File(
        [`time;counter_kwh${props.meters.length > 1 && meter ? `:${meter}` : ""}\n${at.replace("T", " ")};${lifetime}\n`],
        `display ${at.replace("T", " ")}.csv`,
      ),
    ]);
  return (
    <section className={chapter.section}>
      <h2>{say.allThatTheDisplayShows}</h2>
      <DisplayTime field={field} at={at} setAt={setAt} props={props} meter={meter} setMeter={setMeter} />
      <p data-testid="display-verdict">{displayWords(check)}</p>
      <div className={chapter.actions}>
        <Button variant="default" disabled={Number.isNaN(lifetime)} onClick={keep}>
          {say.keepTheLifetimeReading}
        </Button>
      </div>
      <ImportSteps {...props} way={way} />
    </section>
  );
}

interface DisplayTimeProps {
  readonly field: (name: string, label: string) => ReactNode;
  readonly at: string;
  readonly setAt: Dispatch<SetStateAction<string>>;
  readonly props: ImportDeskProps;
  readonly meter: string | null;
  readonly setMeter: Dispatch<SetStateAction<string | null>>;
}

function DisplayTime({ field, at, setAt, props, meter, setMeter }: DisplayTimeProps) {
  return (
    <div className={styles.display}>
      {[1, 2, 3].map((k) => (
        <div key={k} className={styles.line}>
          {field(`dcV${k}`, say.dcInputV(k))}
          {field(`dcA${k}`, say.dcInputA(k))}
        </div>
      ))}
      <div className={styles.line}>
        {field("acV", "AC, V")}
        {field("acA", "AC, A")}
        {field("acW", "AC, W")}
      </div>
      <div className={styles.line}>
        {field("lifetime", "Lifetime, kWh")}
        <DateField label="Read at" type="datetime-local" value={at} onChange={(value) => value && setAt(value)} />
        {props.meters.length > 1 && (
          <Select size="xs" label="Meter" data={[...props.meters]} value={meter} onChange={setMeter} allowDeselect={false} />
        )}
      </div>
    </div>
  );
}

function displayWords({ dcW, efficiencyFrac, balanceFrac, faults }: DisplayCheck): string {
  if (Number.isNaN(efficiencyFrac) && Number.isNaN(balanceFrac)) return say.dcVoltsTimesAmpsOfAll;
  const sentences = [
    Number.isNaN(efficiencyFrac) ? "" : say.ofWDcComeThroughAs(percent(efficiencyFrac), number(dcW)),
    Number.isNaN(balanceFrac) ? "" : say.theWeakestInputCarriesOfThe(percent(balanceFrac, 0)),
  ];
  return [...sentences, ...(faults.length > 0 ? faults.map((fault) => FAULTS[fault]) : [say.theFiguresAgreeWithEachOther])]
    .filter(Boolean)
    .join(" ");
}
