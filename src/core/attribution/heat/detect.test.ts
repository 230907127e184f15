import { handMadeFrame } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import { seededUniform } from "../../statistics";
import { standstill } from "../outage/standstill";
import { heatEvidence, heldBy } from "./detect";

type Parts = Parameters<typeof handMadeFrame>[0];

const DAYS = 500;
const CEILING = 10;
const hourOf = (i: number): number => i % 24;
const dayOf = (i: number): number => Math.floor(i / 24);
const uniform = seededUniform(3);
/** Warm at three in the afternoon and in summer; days differ. */
const day = Array.from({ length: DAYS }, () => ({ warmK: 6 * uniform() - 3, light: 0.7 + 0.3 * uniform() }));
const airTempC = (i: number): number =>
  26 - 12 * Math.cos((2 * Math.PI * (dayOf(i) - 20)) / 365) + 6 * Math.cos(((hourOf(i) - 15) / 12) * Math.PI) + day[dayOf(i)]!.warmK;
const open = (i: number): number => Math.max(0, 11 * day[dayOf(i)]!.light * Math.sin(((hourOf(i) - 6) / 12) * Math.PI));
const cap = (i: number, fromC: number): number => CEILING * (1 - 0.02 * Math.max(0, airTempC(i) - fromC));

const read = (metered: NonNullable<Parts["metered"]>) => {
  const frame = handMadeFrame({ days: DAYS, open, airTempC, metered, ratedKwh: CEILING });
  return { frame, ...heatEvidence(frame, standstill(frame, CEILING), CEILING) };
};
const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);

describe("inverters that hold back in the heat", () => {
  it("are seen by tops along a line that falls with the air, and by what they cut", () => {
    const { law, spans, lostFrac, frame } = read((i, kwh) => Math.min(kwh, CEILING, cap(i, 34)));
    expect(spans).toEqual([]);
    expect(law!.perKFrac).toBe(0.02);
    expect(Math.abs(law!.fromC - 34)).toBeLessThanOrEqual(1);
    const lost = sum(frame.openKwh.map((kwh, i) => Math.min(kwh, CEILING) * lostFrac[i]!));
    const truth = sum(frame.openKwh.map((kwh, i) => Math.max(0, Math.min(kwh, CEILING) - cap(i, 34))));
    expect(truth).toBeGreaterThan(50);
    expect(Math.abs(lost / truth - 1)).toBeLessThan(0.15);
  });

  it("hold back sooner in a summer without a fan, told to some days", () => {
    const [from, to] = [24 * 130, 24 * 240];
    const { law, spans } = read((i, kwh) => Math.min(kwh, CEILING, cap(i, i >= from && i < to ? 31 : 44)));
    expect(spans).toHaveLength(1);
    expect(Math.abs(spans[0]!.from - from) / 24).toBeLessThan(10);
    expect(Math.abs(spans[0]!.to - to) / 24).toBeLessThan(10);
    expect(Math.abs(spans[0]!.fromC - 31)).toBeLessThanOrEqual(2);
    expect(law === null || law.fromC >= spans[0]!.fromC + 2).toBe(true);
  });

  it.each([
    ["a plant that follows its light", (_: number, kwh: number) => Math.min(kwh, CEILING)],
    [
      "modules that lose in proportion, more than the book has it",
      (i: number, kwh: number) => Math.min(CEILING, kwh * (1 - 0.001 * (airTempC(i) - 25))),
    ],
    [
      "light that is rough",
      (i: number, kwh: number) => Math.min(CEILING, kwh * (1 + 0.3 * Math.sin(i * i))) * (airTempC(i) > 34 ? 0.97 : 1),
    ],
  ])("are not seen in %s", (_, metered) => {
    const { law, spans, touched } = read(metered);
    expect([law, spans.length, touched.includes(1)]).toEqual([null, 0, false]);
  });

  it("hold back in days to come by the law that was read", () => {
    const { frame, law, lostFrac } = read((i, kwh) => Math.min(kwh, CEILING, cap(i, 34)));
    const again = heldBy(frame, standstill(frame, CEILING), CEILING, { law, spans: [] });
    expect(sum(again.lostFrac)).toBeCloseTo(sum(lostFrac), 9);
    expect(sum(heldBy(frame, standstill(frame, CEILING), CEILING, { law: null, spans: [] }).lostFrac)).toBe(0);
  });
});
