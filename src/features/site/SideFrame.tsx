import { SideView } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import { compassPoint, fromEquatorDeg, noonElevationDeg, noonInFront, SOLSTICE_DECLINATION_DEG } from "@/core/geometry";
import { arrayLayout, type PvArray } from "@/core/site";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { say } from "@/wording/screens/site";

const DAYS = [
  { label: "21 June", declinationDeg: SOLSTICE_DECLINATION_DEG },
  { label: "equinox", declinationDeg: 0 },
  { label: "21 December", declinationDeg: -SOLSTICE_DECLINATION_DEG },
] as const;

/** One array from the side, to scale, with the noon sun of the year's corners. */
export function SideFrame({ slug, site, array }: { slug: string; site: SiteDocument; array: PvArray }) {
  const { latitudeDeg } = site.place;
  const { slantM } = arrayLayout(site, array);
  const looksToEquator = Math.abs(fromEquatorDeg(latitudeDeg, array.azimuthDeg)) <= 90;
  const suns = DAYS.map(({ label, declinationDeg }) => {
    return {
      label,
      elevationDeg: noonElevationDeg(latitudeDeg, declinationDeg),
      front: noonInFront(latitudeDeg, array.azimuthDeg, declinationDeg),
    };
  });
  return (
    <ChartFrame
      title={say.fromTheSide(array.name || array.id)}
      note="noon sun"
      fileName={`${slug}-${array.id}-side`}
      height={230}
      summary={say.sideViewOfDegreesFromFlat(array.name || array.id, array.tiltDeg)}
      table={() => [["day", "noon_elevation_deg"], ...suns.map(({ label, elevationDeg }) => [label, Number(elevationDeg.toFixed(2))])]}
    >
      {(width) => (
        <SideView
          width={width}
          height={230}
          tiltDeg={array.tiltDeg}
          slantM={slantM}
          baseHeightM={Math.min(array.baseHeightM, 1.5 * slantM)}
          suns={suns}
          front={
            looksToEquator ? say.towardTheEquator(compassPoint(array.azimuthDeg)) : say.awayFromTheEquator(compassPoint(array.azimuthDeg))
          }
        />
      )}
    </ChartFrame>
  );
}
