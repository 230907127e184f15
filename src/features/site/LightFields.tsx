import { Select } from "@mantine/core";
import { isOnePlane, LIGHT_SOURCES, largestArray, type Site } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { LIGHT_NAMES } from "@/wording/light-sources";
import { say } from "@/wording/screens/site";
import { type SiteForm, setAt } from "./site-values";

/** Where the light comes from, and in which plane a sensor of the tilted light lies. */
export function LightFields({ form, site }: { form: SiteForm; site: Site }) {
  const { lightPlane } = form.values;
  const largest = largestArray(site);
  return (
    <>
      <Select
        label={say.lightComesFrom}
        data={LIGHT_SOURCES.map((value) => ({ value, label: LIGHT_NAMES[value] }))}
        allowDeselect={false}
        {...form.getInputProps("lightSource")}
      />
      <Select
        label={say.tiltedSensorLies}
        data={[
          { value: "modules", label: isOnePlane(site) ? say.withTheModules : say.withTheArray(largest.name || largest.id) },
          { value: "own", label: say.inAPlaneOfItsOwn },
        ]}
        allowDeselect={false}
        value={lightPlane ? "own" : "modules"}
        onChange={(value) =>
          setAt(form, "lightPlane", value === "own" ? { tiltDeg: largest.tiltDeg, azimuthDeg: largest.azimuthDeg } : null)
        }
      />
      {lightPlane && (
        <>
          <NumberField label={say.sensorTilt} angle="tilt" {...form.getInputProps("lightPlane.tiltDeg")} />
          <NumberField label={say.sensorAzimuth} angle="azimuth" {...form.getInputProps("lightPlane.azimuthDeg")} />
        </>
      )}
    </>
  );
}
