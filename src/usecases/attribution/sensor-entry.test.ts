import { expect, it } from "vitest";
import type { FieldEntry } from "@/contracts/field-book";
import { sensorEntryNear } from "./match-entries";

const entry = (kind: FieldEntry["kind"], on: string): FieldEntry => ({ kind, from: on, to: on, array: "", note: "", value: "" });

it.each([
  [["calibration", "2024-05-16"], "calibration"],
  [["calibration", "2024-05-17"], null],
  [["sensor-cleaning", "2024-04-16"], "sensor-cleaning"],
  [["sensor-cleaning", "2024-04-15"], null],
  [["cleaning", "2024-05-01"], null],
] as const)("of %j near the first of May stands %s", ([kind, on], found) => {
  expect(sensorEntryNear("2024-05-01", [entry(kind, on)])).toBe(found);
});

it("the nearest of several is meant", () => {
  const entries = [entry("calibration", "2024-05-12"), entry("sensor-cleaning", "2024-05-04")];
  expect(sensorEntryNear("2024-05-01", entries)).toBe("sensor-cleaning");
});
