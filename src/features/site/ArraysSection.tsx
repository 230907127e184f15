import { Button, Select, TextInput } from "@mantine/core";
import { mountings, type SiteDocument, shadeRules } from "@/contracts/site";
import { arrayLayout, arrayPlace, rowsOf } from "@/core/site";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { OpenNumber } from "./fields";
import { freeId } from "./free-id";
import { RULE_NAMES } from "./rule-names";
import styles from "./SiteChapter.module.css";
import { type SiteForm, setAt } from "./site-values";
import { AddButton } from "./view-parts";

const MOUNTING_NAMES: Readonly<Record<(typeof mountings)[number], string>> = {
  "open-rack": "open rack",
  "roof-gap": say.roofWithAGap,
  "roof-close": "roof, close",
  "building-integrated": say.inTheRoof,
};

interface Props {
  readonly form: SiteForm;
  readonly site: SiteDocument;
  readonly select: (arrayId: string) => void;
}

export function ArraysSection({ form, site, select }: Props) {
  const add = (): void => {
    const last = form.values.arrays.at(-1);
    if (!last) return;
    const id = freeId(
      "array",
      form.values.arrays.map((array) => array.id),
    );
    form.insertListItem("arrays", { ...last, id, name: `Array ${id.slice("array-".length)}`, eastM: null, northM: null, obstacles: [] });
  };
  const remove = (i: number): void => {
    const { id } = form.values.arrays[i]!;
    const without = (items: { arrays: string[] }[]) =>
      items.map((item) => ({ ...item, arrays: item.arrays.filter((name) => name !== id) }));
    setAt(
      form,
      "inverters",
      without(form.values.inverters).filter((inverter) => inverter.arrays.length > 0),
    );
    setAt(form, "meters", without(form.values.meters));
    form.removeListItem("arrays", i);
  };
  return (
    <section className={chapter.section}>
      <h2>Arrays</h2>
      {form.values.arrays.map((array, i) => (
        <div className={styles.array} key={array.id} onFocusCapture={() => select(array.id)}>
          <ArrayFields form={form} site={site} i={i} />
          {form.values.arrays.length > 1 && (
            <Button variant="subtle" size="compact-sm" onClick={() => remove(i)}>
              {`Remove ${array.name || array.id}`}
            </Button>
          )}
        </div>
      ))}
      <AddButton onClick={add}>{say.addAnArray}</AddButton>
      <p className={chapter.caution}>{say.workOnARoofOnlyWith}</p>
    </section>
  );
}

function ArrayFields({ form, site, i }: { form: SiteForm; site: SiteDocument; i: number }) {
  const array = form.values.arrays[i]!;
  const path = `arrays.${i}` as const;
  const { place } = form.values;
  const tilt = form.getInputProps(`${path}.tiltDeg`) as {
    value: number;
    error?: string;
    onChange: (value: unknown) => void;
    onBlur?: () => void;
  };
  const azimuth = form.getInputProps(`${path}.azimuthDeg`) as typeof tilt;
  return (
    <>
      <div className={styles.arrayGrid}>
        <TextInput label="Name" {...form.getInputProps(`${path}.name`)} />
        <Select
          label="Module"
          data={form.values.moduleTypes.map((type) => type.key).filter((key) => key !== "")}
          allowDeselect={false}
          {...form.getInputProps(`${path}.module`)}
        />
        <NumberField label="Count" {...form.getInputProps(`${path}.count`)} />
        <OpenNumber form={form} label={say.modulesAString} path={`${path}.modulesPerString`} />
        <TiltField label="Tilt, °" {...tilt} latitudeDeg={Number(place.latitudeDeg)} azimuthDeg={Number(array.azimuthDeg)} />
        <AzimuthField
          label="Azimuth, °"
          {...azimuth}
          place={{ latitudeDeg: Number(place.latitudeDeg), longitudeDeg: Number(place.longitudeDeg) }}
        />
        <Select
          label="Mounting"
          data={mountings.map((value) => ({ value, label: MOUNTING_NAMES[value] }))}
          allowDeselect={false}
          {...form.getInputProps(`${path}.mounting`)}
        />
        <Select
          label="Shaded cells"
          data={[{ value: "", label: say.asItsHardwareTells }, ...shadeRules.map((value) => ({ value, label: RULE_NAMES[value] }))]}
          value={array.shadeRule ?? ""}
          allowDeselect={false}
          onChange={(rule) => form.setFieldValue(`${path}.shadeRule`, rule || null)}
        />
        <OpenNumber form={form} label={say.rowsOfModules} path={`${path}.rows`} placeholder={layoutOf(site, array.id)?.rows} />
        <MountingChoice form={form} path={path} />
        <NumberField label={say.lowerEdgeUpM} {...form.getInputProps(`${path}.baseHeightM`)} />
        {array.mounting === "open-rack" && (
          <OpenNumber form={form} label={say.rowToRowM} path={`${path}.rowPitchM`} placeholder={layoutOf(site, array.id)?.pitch} />
        )}
        <div className={styles.pair}>
          <OpenNumber form={form} label="East, m" path={`${path}.eastM`} placeholder={layoutOf(site, array.id)?.east} />
          <OpenNumber form={form} label="North" unit="m" path={`${path}.northM`} placeholder="0" />
        </div>
      </div>
      <p className={styles.lies}>{liesIn(site, array.id)}</p>
      <TiltSeasons form={form} i={i} />
    </>
  );
}

interface MountingChoiceProps {
  readonly form: SiteForm;
  readonly path: `arrays.${number}`;
}

function MountingChoice({ form, path }: MountingChoiceProps) {
  return (
    <Select
      label="Modules stand"
      data={[
        { value: "portrait", label: "upright" },
        { value: "landscape", label: say.onTheLongSide },
      ]}
      allowDeselect={false}
      {...form.getInputProps(`${path}.orientation`)}
    />
  );
}

/** What the plan takes where a field is left open, as a hint inside it. */
function layoutOf(site: SiteDocument, arrayId: string): { rows: string; east: string; pitch: string } | null {
  const array = site.arrays.find(({ id }) => id === arrayId);
  if (!array) return null;
  const place = arrayPlace(site, arrayId);
  const pitchM = rowsOf(site, { ...array, rowPitchM: null }).pitch * place.slantM;
  return { rows: String(place.rows), east: number(place.eastM, 1), pitch: number(pitchM, 1) };
}

function liesIn(site: SiteDocument, arrayId: string): string {
  const array = site.arrays.find((candidate) => candidate.id === arrayId);
  if (!array) return "";
  const { columns, rows, widthM, slantM } = arrayLayout(site, array);
  return say.modulesMWideMUpThe(
    columns,
    rows,
    measure(widthM, "m", 1),
    measure(slantM, "m", 1),
    facing(site.place.latitudeDeg, array.azimuthDeg),
  );
}

/** A rack that is tilted by season: dates of the year and tilts. */
function TiltSeasons({ form, i }: { form: SiteForm; i: number }) {
  const path = `arrays.${i}.tiltSchedule` as const;
  const seasons = form.values.arrays[i]!.tiltSchedule;
  const tiltDeg = form.values.arrays[i]!.tiltDeg;
  return (
    <div className={styles.seasons}>
      {seasons.map((_, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: dates are edited here, so the place is the key
        <span key={k} className={styles.season}>
          <TextInput label="From (03-20)" {...form.getInputProps(`${path}.${k}.from`)} />
          <TiltField
            label="tilt, °"
            plain
            latitudeDeg={Number(form.values.place.latitudeDeg)}
            azimuthDeg={Number(form.values.arrays[i]!.azimuthDeg)}
            {...(form.getInputProps(`${path}.${k}.tiltDeg`) as { value: number; onChange: (value: unknown) => void })}
          />
          <Button
            variant="subtle"
            size="compact-xs"
            onClick={() => form.removeListItem(path, k)}
            aria-label={say.removeTheTiltFrom(seasons[k]?.from)}
          >
            ×
          </Button>
        </span>
      ))}
      <AddButton onClick={() => form.insertListItem(path, { from: seasons.length === 0 ? "03-20" : "09-22", tiltDeg })}>
        {seasons.length === 0 ? say.tiltedBySeason : say.addAChangeOfTilt}
      </AddButton>
    </div>
  );
}
