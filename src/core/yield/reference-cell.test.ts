import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { LightSource } from "../site";
import { monthBins } from "../time";
import { runYield } from ".";

const PLACE = { latitudeDeg: 48, longitudeDeg: 11, timeZone: "Europe/Berlin", elevationM: 450 };
const axis = hours("2023-06-01T00:00:00Z", 24 * 7);
const open = clearWeather(axis, PLACE);
/** The same light as a sensor in the plane would give it. */
const inPlane = { ...open, poaWm2: open.ghiWm2 };

const run = (lightSource: LightSource, weather = inPlane) =>
  runYield(site({ place: PLACE, inverters: [], lightSource }), weather, monthBins(axis, PLACE.timeZone));
const reflectionKwh = (lightSource: LightSource, weather = inPlane): number => run(lightSource, weather).accountsKwh.reflection[0]!;

describe("light in the plane by a reference cell", () => {
  it("lost its reflection at the cell's own glass: the chain takes none, and expects as much more", () => {
    expect(reflectionKwh("reference-cell")).toBe(0);
    expect(reflectionKwh("station-a")).toBeGreaterThan(0);
    expect(run("reference-cell").expectedByBinKwh[0]!).toBeGreaterThan(run("station-a").expectedByBinKwh[0]!);
  });

  it("on the horizontal is another plane's glass: the modules' own reflection stays", () => {
    expect(reflectionKwh("reference-cell", open)).toBeGreaterThan(0);
  });
});
