import { Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { arrayPlace, type Site } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/site";
import { ArraysSection } from "./ArraysSection";
import { OpenNumber } from "./fields";
import { obstaclesInPlan, placeArray, placeObstacle } from "./in-plan";
import { LightFields } from "./LightFields";
import { ModulesSection } from "./ModulesSection";
import { PlanView } from "./PlanView";
import { SideFrame } from "./SideFrame";
import styles from "./SiteChapter.module.css";
import { type SiteForm, setAt } from "./site-values";
import type { SiteViewProps } from "./view-parts";

/** Where the site stands and how its arrays lie, drawn to scale while it is typed. */
export function PlaceView({ slug, draft, timeZones }: SiteViewProps & { readonly timeZones: readonly string[] }) {
  const { form, site } = draft;
  const [selected, setSelected] = useState<string | null>(site.arrays[0]?.id ?? null);
  const shown = site.arrays.find((array) => array.id === selected) ?? site.arrays[0]!;
  const arrays = site.arrays.map((array) => arrayPlace(site, array.id));
  const obstacles = obstaclesInPlan(site);
  return (
    <div className={`${chapter.columns} ${styles.columns}`}>
      <div>
        <PlaceSection form={form} site={site} timeZones={timeZones} />
        <ModulesSection form={form} />
      </div>
      <div>
        <div className={styles.pictures}>
          <PlanView
            title="From above"
            fileName={`${slug}-plan`}
            height={230}
            arrays={arrays}
            obstacles={obstacles}
            selected={shown.id}
            select={setSelected}
            move={(id, to) => (site.arrays.some((array) => array.id === id) ? placeArray(form, id, to) : placeObstacle(form, site, id, to))}
          />
          <SideFrame slug={slug} site={site} array={shown} />
        </div>
        <ArraysSection form={form} site={site} select={setSelected} />
      </div>
    </div>
  );
}

function PlaceSection({ form, site, timeZones }: { form: SiteForm; site: Site; timeZones: readonly string[] }) {
  const { place } = form.values;
  const [found, setFound] = useState<string | null>(null);
  // The zone follows the coordinates while it was the one of the coordinates before, or none in particular.
  const moveTo = (key: "latitudeDeg" | "longitudeDeg", value: number | string): void => {
    const before = { ...form.getValues().place };
    setAt(form, `place.${key}`, value);
    const after = { ...before, [key]: Number(value) };
    // What is no number yet is nowhere.
    if (value === "" || !(Math.abs(after.latitudeDeg) <= 90) || !(Math.abs(after.longitudeDeg) <= 180)) return;
    void import("@photostructure/tz-lookup").then(({ default: zoneAt }) => {
      const zone = zoneAt(after.latitudeDeg, after.longitudeDeg);
      setFound(zone);
      const current = form.getValues().place.timeZone;
      if (current === "UTC" || current === found || current === zoneAt(before.latitudeDeg, before.longitudeDeg))
        form.setFieldValue("place.timeZone", zone);
    });
  };
  return (
    <section className={chapter.section}>
      <h2>Place</h2>
      <div className={styles.grid}>
        <TextInput className={styles.wide} label="Name" {...form.getInputProps("name")} />
        <Coordinates form={form} moveTo={moveTo} />
        <NumberField label="Elevation" unit="m" {...form.getInputProps("place.elevationM")} />
        <Select
          label="Time zone"
          searchable
          limit={30}
          data={[...new Set([...timeZones, place.timeZone])]}
          {...form.getInputProps("place.timeZone")}
          description={found && found !== place.timeZone ? say.theCoordinatesLieIn(found) : undefined}
        />
        <TextInput
          label="Commissioned (2019-04-01)"
          {...form.getInputProps("commissioned")}
          value={form.values.commissioned ?? ""}
          onChange={(event) => form.setFieldValue("commissioned", event.currentTarget.value === "" ? null : event.currentTarget.value)}
        />
        <TextInput label="Currency (ISO 4217)" {...form.getInputProps("currency")} />
        <LightFields form={form} site={site} />
        <OpenNumber form={form} label={say.coldestAirOnRecordC} path="place.recordLowC" />
        <OpenNumber form={form} label={say.hottestDaysAirC} path="place.recordHighC" />
      </div>
    </section>
  );
}

interface CoordinatesProps {
  readonly form: SiteForm;
  readonly moveTo: (key: "latitudeDeg" | "longitudeDeg", value: number | string) => void;
}

/** Latitude and longitude, with their hemispheres if somebody types them. */
function Coordinates({ form, moveTo }: CoordinatesProps) {
  return (
    <>
      <NumberField
        label="Latitude, ° (north +)"
        angle="latitude"
        decimalScale={5}
        {...form.getInputProps("place.latitudeDeg")}
        onChange={(value: number | string) => moveTo("latitudeDeg", value)}
      />
      <NumberField
        label="Longitude, ° (east +)"
        angle="longitude"
        decimalScale={5}
        {...form.getInputProps("place.longitudeDeg")}
        onChange={(value: number | string) => moveTo("longitudeDeg", value)}
      />
    </>
  );
}
