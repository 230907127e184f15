import type { SiteDocument, SiteInput } from "@/contracts/site";
import { parseSite } from "@/formats/site-json";

/** A small whole site document; parts are replaced by what a test is about. */
export const siteInput = (parts: Partial<SiteInput> = {}): SiteInput => ({
  format: "dusty-ledger/site",
  version: 1,
  name: "Test roof",
  commissioned: "2020-01-01",
  place: { latitudeDeg: 40, longitudeDeg: 0, elevationM: 100, timeZone: "Europe/Madrid" },
  modules: { m: { pmpW: 400, gammaPmpPerK: -0.0035 } },
  arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 180 }],
  inverters: [{ id: "i", arrays: ["a"], acRatedW: 6000, ratedEfficiencyFrac: 0.97 }],
  meters: [{ id: "main", point: "ac", arrays: ["a"] }],
  ...parts,
});

export function site(parts: Partial<SiteInput> = {}): SiteDocument {
  const reading = parseSite(siteInput(parts));
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  return reading.document;
}
