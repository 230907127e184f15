import { runSun } from "@/core/sun";
import { monthBins } from "@/core/time";
import { litSky, planeEnergyKwh, planeTerms, prepareWeather, runPrepared } from "@/core/yield";
import { parseSite } from "@/formats/site-json";
import { DEMO_BOOKS, recordOf } from "@/standins";
import { joinPages } from "@/usecases/imports";
import { gatherWeather } from "@/usecases/ledger/gather";

const reading = parseSite(DEMO_BOOKS[0]!.site);
if (!reading.ok) throw 1;
const site = reading.document;
const rec = recordOf(DEMO_BOOKS[0]!, site)
  .weather.map((p) => joinPages({ ...p, meterId: "" })!)
  .map((x) => ({ ...x, meterId: "" }));
const five = gatherWeather(rec as never)!;
const N = 8760;
const cut = (c: Float64Array | null) => c && c.slice(0, N);
const axis = { ...five.axis, count: N };
const weather = {
  axis,
  ghiWm2: cut(five.ghiWm2),
  dniWm2: null,
  dhiWm2: null,
  poaWm2: null,
  airTempC: cut(five.airTempC),
  windSpeedMs: cut(five.windSpeedMs),
};
const sun = runSun(axis, site.place);
const prepared = prepareWeather(site.place, weather, sun);
const best = (n: number, f: () => void) => {
  let b = 1e9;
  for (let i = 0; i < n; i++) {
    const t = performance.now();
    f();
    b = Math.min(b, performance.now() - t);
  }
  return (b * 1e6) / 8760;
};
const bins = monthBins(axis, site.place.timeZone);
const terms = planeTerms(site);
let sky = litSky(site, prepared);
const at = { tiltDeg: 10, azimuthDeg: 180, mounting: "roof-gap" as const };
console.log(
  "lit",
  sky.count,
  "energy",
  planeEnergyKwh(sky, terms, at),
  "chain",
  runPrepared(site, prepared, bins).expectedByBinKwh.reduce((a, b) => a + b, 0),
);
for (let k = 0; k < 4; k++)
  console.log(
    "sky ns",
    best(50, () => {
      sky = litSky(site, prepared);
    }).toFixed(1),
    "plane ns",
    best(100, () => void planeEnergyKwh(sky, terms, at)).toFixed(1),
    "chain ns",
    best(50, () => void runPrepared(site, prepared, bins)).toFixed(1),
  );
const t = performance.now();
let m = 0;
for (let a = 0; a < 72; a++)
  for (let b = 0; b < 19; b++) m = Math.max(m, planeEnergyKwh(sky, terms, { tiltDeg: b * 5, azimuthDeg: a * 5, mounting: "open-rack" }));
console.log("map ms", performance.now() - t, m);
