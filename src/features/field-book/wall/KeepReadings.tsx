import { Button, Select } from "@mantine/core";
import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ImportSteps } from "@/features/readings/ImportDesk";
import { useImport } from "@/features/readings/use-import";
import { say } from "@/wording/screens/field-book-wall";
import styles from "../FieldBook.module.css";

interface Props {
  readonly slug: string;
  readonly site: Pick<SiteDocument, "place" | "meters">;
  readonly at: string;
  readonly dayKwh: number | null;
  readonly lifetimeKwh: number | null;
}

/** Day's total and lifetime as readings of a meter: they count in the ledger as any others. */
export function KeepReadings({ slug, site, at, dayKwh, lifetimeKwh }: Props) {
  const { timeZone } = site.place;
  const meters = site.meters.map(({ id }) => id);
  const [meter, setMeter] = useState<string | null>(meters[0] ?? null);
  const way = useImport(slug);
  const of = meters.length > 1 && meter ? `:${meter}` : "";
  const keep = (column: string, time: string, kwh: number | null): void =>
    void way.take([new File([`time;${column}${of}\n${time};${kwh}\n`], `display ${at.replace("T", " ")}.csv`)]);
  return (
    <>
      <div className={chapter.actions}>
        {meters.length > 1 && (
          <Select className={styles.meter} label="Meter" data={[...meters]} value={meter} onChange={setMeter} allowDeselect={false} />
        )}
        <Button variant="default" disabled={dayKwh === null} onClick={() => keep("energy_kwh", at.slice(0, 10), dayKwh)}>
          {say.keepTheDay}
        </Button>
        <Button variant="default" disabled={lifetimeKwh === null} onClick={() => keep("counter_kwh", at.replace("T", " "), lifetimeKwh)}>
          {say.keepTheLifetime}
        </Button>
      </div>
      <ImportSteps slug={slug} timeZone={timeZone} zones={[timeZone]} meters={meters} way={way} />
    </>
  );
}
