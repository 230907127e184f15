"use client";

import { Button, NumberInput, Select, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { mountings, type SiteDocument } from "@/contracts/site";
import { asRefused, call, type RefusedCall } from "@/features/api";
import { number } from "@/features/figures/format";
import chapter from "@/features/look/Chapter.module.css";
import { Refused } from "@/features/problems/ProblemList";
import { AzimuthView, TiltView } from "./AngleViews";
import { PercentInput, type SiteForm } from "./fields";
import styles from "./SiteChapter.module.css";
import { type SiteValues, toDocument, toValues, validateSite } from "./site-values";

export interface SiteChapterProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  readonly timeZones: readonly string[];
}

/** The site document as a form: what stands where, in the schema's own words. */
export function SiteChapter({ slug, version, site, timeZones }: SiteChapterProps) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const [note, setNote] = useState("");
  const [held, setHeld] = useState(version);
  const form = useForm<SiteValues>({ initialValues: toValues(site), validate: validateSite, validateInputOnBlur: true });
  const save = form.onSubmit(
    async (values) => {
      setRefusal(null);
      try {
        const saved = await call<{ version: number }>("PUT", `/api/books/${slug}`, { version: held, site: toDocument(values) });
        setHeld(saved.version);
        form.resetDirty();
        setNote("Saved. The ledger is reckoned anew.");
        router.refresh();
      } catch (error) {
        setRefusal(asRefused(error));
      }
    },
    (errors) => setNote(`${Object.keys(errors).length} field(s) need correcting before this can be saved.`),
  );
  return (
    <form onSubmit={save} className={chapter.page} noValidate>
      <h1>{form.values.name || "Unnamed site"}</h1>
      <p className={chapter.verdict}>{siteSentence(form.values)}</p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <div>
          <PlaceSection form={form} timeZones={timeZones} />
          <LossesSection form={form} />
        </div>
        <div>
          <ModulesSection form={form} />
          <ArraysSection form={form} />
          <InvertersSection form={form} />
          <PromiseSection form={form} />
        </div>
      </div>
      {refusal && <Refused refusal={refusal} />}
      <div className={`${chapter.actions} ${styles.bar}`}>
        <Button type="submit" disabled={!form.isDirty()}>
          Save the site
        </Button>
        <Button
          variant="default"
          onClick={() => {
            form.reset();
            setNote("");
          }}
          disabled={!form.isDirty()}
        >
          Undo changes
        </Button>
        <a href={`/api/books/${slug}/site`} download>
          Site file (JSON)
        </a>
        <span className={chapter.soft} role="status">
          {note}
        </span>
      </div>
    </form>
  );
}

function siteSentence({ arrays, moduleTypes, inverters, place }: SiteValues): string {
  const kwp = arrays.reduce(
    (sum, array) => sum + ((moduleTypes.find((type) => type.key === array.module)?.pmpW ?? 0) * array.count) / 1000,
    0,
  );
  const acKw = inverters.reduce((sum, inverter) => sum + inverter.acRatedW / 1000, 0);
  const modules = arrays.reduce((sum, array) => sum + array.count, 0);
  const facing = arrays.map((array) => `tilt ${number(array.tiltDeg)}° facing ${number(array.azimuthDeg)}°`).join("; ");
  const ratio = acKw > 0 ? ` on ${number(acKw, 1)} kW of inverter (DC to AC ${number(kwp / acKw, 2)})` : "";
  return `${number(modules)} modules, ${number(kwp, 1)} kWp${ratio}, ${facing}, at ${number(Math.abs(place.latitudeDeg), 2)}° ${place.latitudeDeg < 0 ? "south" : "north"}.`;
}

type Section = { form: SiteForm };

function PlaceSection({ form, timeZones }: Section & { timeZones: readonly string[] }) {
  return (
    <section className={chapter.section}>
      <h2>Place</h2>
      <div className={styles.grid}>
        <TextInput className={styles.wide} label="Name" {...form.getInputProps("name")} />
        <NumberInput label="Latitude, ° (north +)" hideControls decimalScale={5} {...form.getInputProps("place.latitudeDeg")} />
        <NumberInput label="Longitude, ° (east +)" hideControls decimalScale={5} {...form.getInputProps("place.longitudeDeg")} />
        <NumberInput label="Elevation, m" hideControls {...form.getInputProps("place.elevationM")} />
        <Select label="Time zone" searchable data={[...timeZones]} {...form.getInputProps("place.timeZone")} />
        <TextInput
          label="Commissioned (2019-04-01)"
          {...form.getInputProps("commissioned")}
          value={form.values.commissioned ?? ""}
          onChange={(event) => form.setFieldValue("commissioned", event.currentTarget.value === "" ? null : event.currentTarget.value)}
        />
        <TextInput label="Currency (ISO 4217)" {...form.getInputProps("currency")} />
        <NumberInput label="Albedo of the ground, 0 to 1" hideControls decimalScale={2} {...form.getInputProps("albedo")} />
        <Select
          label="Reflection model"
          data={[
            { value: "martin-ruiz", label: "Martin & Ruiz" },
            { value: "ashrae", label: "ASHRAE" },
            { value: "fresnel", label: "Fresnel" },
          ]}
          allowDeselect={false}
          {...form.getInputProps("models.reflection")}
        />
      </div>
    </section>
  );
}

function LossesSection({ form }: Section) {
  return (
    <section className={chapter.section}>
      <h2>Losses budgeted, and ageing</h2>
      <div className={styles.grid}>
        <PercentInput form={form} label="Soiling, %" path="losses.soilingFrac" />
        <PercentInput form={form} label="Mismatch, %" path="losses.mismatchFrac" />
        <PercentInput form={form} label="DC wiring, %" path="losses.dcWiringFrac" />
        <PercentInput form={form} label="AC wiring, %" path="losses.acWiringFrac" />
        <PercentInput form={form} label="Downtime, %" path="losses.availabilityFrac" />
        <PercentInput form={form} label="Ageing in the first year, %" path="ageing.firstYearFrac" />
        <PercentInput form={form} label="Ageing a year after, %" path="ageing.perYearFrac" />
      </div>
    </section>
  );
}

/** What the single diode needs of a datasheet; left empty, the temperature coefficient serves. */
const DATASHEET = [
  { key: "cellsInSeries", label: "Cells in series" },
  { key: "vocV", label: "Voc, V" },
  { key: "iscA", label: "Isc, A" },
  { key: "vmpV", label: "Vmp, V" },
  { key: "impA", label: "Imp, A" },
] as const;

function ModulesSection({ form }: Section) {
  return (
    <section className={chapter.section}>
      <h2>Modules</h2>
      {form.values.moduleTypes.map((type, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: names are edited here, so the place is the key
        <div className={styles.modules} key={i}>
          <TextInput
            label="Type"
            value={type.key}
            readOnly={form.values.arrays.some((array) => array.module === type.key)}
            onChange={(event) => form.setFieldValue(`moduleTypes.${i}.key`, event.currentTarget.value)}
          />
          <NumberInput label="Power, W" hideControls {...form.getInputProps(`moduleTypes.${i}.pmpW`)} />
          <PercentInput form={form} label="Power by heat, %/K" path={`moduleTypes.${i}.gammaPmpPerK`} decimals={3} />
          {DATASHEET.map(({ key, label }) => (
            <NumberInput
              key={key}
              label={label}
              hideControls
              {...form.getInputProps(`moduleTypes.${i}.${key}`)}
              value={type[key] ?? ""}
              onChange={(value) => form.setFieldValue(`moduleTypes.${i}.${key}`, (value === "" ? null : value) as never)}
            />
          ))}
        </div>
      ))}
    </section>
  );
}

function ArraysSection({ form }: Section) {
  const add = () => {
    const first = form.values.arrays[0];
    if (first)
      form.insertListItem("arrays", {
        ...first,
        id: `array-${form.values.arrays.length + 1}`,
        name: `Array ${form.values.arrays.length + 1}`,
      });
  };
  return (
    <section className={chapter.section}>
      <h2>Arrays</h2>
      {form.values.arrays.map((array, i) => (
        <div className={styles.array} key={array.id}>
          <TextInput label="Name" {...form.getInputProps(`arrays.${i}.name`)} />
          <Select
            label="Module"
            data={form.values.moduleTypes.map((type) => type.key)}
            allowDeselect={false}
            {...form.getInputProps(`arrays.${i}.module`)}
          />
          <NumberInput label="Count" hideControls {...form.getInputProps(`arrays.${i}.count`)} />
          <Select label="Mounting" data={[...mountings]} allowDeselect={false} {...form.getInputProps(`arrays.${i}.mounting`)} />
          <div className={styles.angle}>
            <NumberInput label="Tilt, ° from flat" hideControls {...form.getInputProps(`arrays.${i}.tiltDeg`)} />
            <TiltView tiltDeg={Number(array.tiltDeg)} />
          </div>
          <div className={styles.angle}>
            <NumberInput label="Azimuth, ° from north" hideControls {...form.getInputProps(`arrays.${i}.azimuthDeg`)} />
            <AzimuthView azimuthDeg={Number(array.azimuthDeg)} />
          </div>
          <NumberInput
            label="Modules a string"
            hideControls
            {...form.getInputProps(`arrays.${i}.modulesPerString`)}
            value={array.modulesPerString ?? ""}
          />
          {form.values.arrays.length > 1 && (
            <Button variant="subtle" size="compact-sm" onClick={() => form.removeListItem("arrays", i)}>
              Remove
            </Button>
          )}
        </div>
      ))}
      <Button variant="subtle" size="compact-sm" onClick={add}>
        Add an array
      </Button>
    </section>
  );
}

function InvertersSection({ form }: Section) {
  return (
    <section className={chapter.section}>
      <h2>Inverters</h2>
      {form.values.inverters.map((inverter, i) => (
        <div className={styles.inverters} key={inverter.id}>
          <TextInput label="Name" {...form.getInputProps(`inverters.${i}.id`)} readOnly />
          <NumberInput
            label={inverter.perModule ? "AC rating a module, W" : "AC rating, W"}
            hideControls
            {...form.getInputProps(`inverters.${i}.acRatedW`)}
          />
          <PercentInput form={form} label="Efficiency, %" path={`inverters.${i}.ratedEfficiencyFrac`} />
          <Select
            label="One for"
            data={[
              { value: "site", label: "all arrays" },
              { value: "module", label: "each module" },
            ]}
            allowDeselect={false}
            value={inverter.perModule ? "module" : "site"}
            onChange={(value) => form.setFieldValue(`inverters.${i}.perModule`, value === "module")}
          />
          <TextInput
            label="On arrays"
            value={inverter.arrays.join(", ")}
            error={form.errors[`inverters.${i}.arrays`]}
            onChange={(event) =>
              form.setFieldValue(
                `inverters.${i}.arrays`,
                event.currentTarget.value.split(",").map((id) => id.trim()),
              )
            }
          />
        </div>
      ))}
    </section>
  );
}

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

function PromiseSection({ form }: Section) {
  const { promise } = form.values;
  return (
    <section className={chapter.section}>
      <h2>Promise of the design statement, kWh</h2>
      {promise ? (
        <div className={styles.months}>
          {MONTHS.map((month, i) => (
            <NumberInput
              key={month}
              label={month}
              hideControls
              thousandSeparator={"\u2009"}
              {...form.getInputProps(`promise.monthlyKwh.${i}`)}
            />
          ))}
        </div>
      ) : (
        <Button
          variant="subtle"
          size="compact-sm"
          onClick={() => form.setFieldValue("promise", { monthlyKwh: new Array<number>(12).fill(0) })}
        >
          Write it down
        </Button>
      )}
    </section>
  );
}
