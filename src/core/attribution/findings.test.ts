import { at, axis, DAYS, evidence, expectedKwh, noRate, plant, sum, zeros } from "@test/evidence-builder";
import { describe, expect, it } from "vitest";
import { type CauseFinding, type CauseKind, causeFindings, datedFindings, type Evidence, fittedOf } from ".";
import { beforeCeiling, capped, rated } from "./expected";
import { flatCurve } from "./level/detect";

const found = (parts: Partial<Evidence>, ratedW: number | null = 6000): CauseFinding[] => causeFindings(evidence(parts), ratedW, 0.005);
const one = (parts: Partial<Evidence>, kind: CauseKind, ratedW: number | null = 6000): CauseFinding => {
  const own = found(parts, ratedW).filter((finding) => finding.kind === kind);
  expect(own).toHaveLength(1);
  return own[0]!;
};

describe("findings", () => {
  it("are none where nothing is wrong", () => {
    expect(found({})).toEqual([]);
    expect(datedFindings(evidence())).toEqual([]);
  });

  it("of a standstill hold what was owed meanwhile, and are surer the longer it lasted", () => {
    const [from, to] = [at(30, 9), at(33, 15)];
    const outages = { downFrac: zeros().fill(1, from, to), outages: [{ from, to }] };
    const long = one({ outages }, "outage");
    expect(long.kwh).toBeCloseTo(sum(expectedKwh, from, to), 9);
    // Where the days around agree with the account, it is off by no more than meter and light are: 2 %, one deviation.
    expect(long.kwhLow! / long.kwh!).toBeCloseTo(1 - 1.96 * 0.02, 4);
    expect(long.fromUtcMs).toBe(axis.startUtcMs + from * 3_600_000);
    expect(long.facts.hours).toBe(to - from);
    const short = one({ outages: { downFrac: zeros().fill(1, from, from + 2), outages: [{ from, to: from + 2 }] } }, "outage");
    expect(short.confidenceFrac).toBeLessThan(long.confidenceFrac);
  });

  it("of an hour that stood still in part hold that part", () => {
    const from = at(40, 12);
    const outages = { downFrac: zeros().fill(0.25, from, from + 1), outages: [{ from, to: from + 1 }] };
    expect(one({ outages }, "outage").kwh).toBeCloseTo(0.25 * expectedKwh[from]!, 9);
  });

  it("of strings out are less sure the further the measured share lies from a whole part", () => {
    const string = { from: at(100), to: at(160), lostFrac: 0.25, restored: true, part: { kind: "strings", out: 1, of: 4 } } as const;
    const near = one({ strings: [{ ...string, measuredFrac: 0.252 }] }, "strings-out");
    const far = one({ strings: [{ ...string, measuredFrac: 0.19 }] }, "strings-out");
    expect(near.kwh).toBeCloseTo(0.25 * sum(expectedKwh, string.from, string.to), 6);
    expect(far.confidenceFrac).toBeLessThan(near.confidenceFrac);
    expect(far.kwhHigh! - far.kwhLow!).toBeGreaterThan(near.kwhHigh! - near.kwhLow!);
    expect(near.facts).toMatchObject({ out: 1, of: 4, restored: "yes" });
  });

  it("lose nothing to what the ceiling would have held anyway", () => {
    const noon = at(10, 12);
    const ceilingKwh = 0.6 * expectedKwh[noon]!;
    const outages = { downFrac: zeros().fill(1, noon, noon + 1), outages: [{ from: noon, to: noon + 1 }] };
    expect(one({ outages, ceilingKwh }, "outage").kwh).toBeCloseTo(ceilingKwh, 9);
  });

  it("put the spells of one winter together, and keep winters apart", () => {
    const spells = [150, 165, 190, 530, 550].map((day) => ({ from: at(day), to: at(day + 4) }));
    const lostFrac = zeros();
    for (const { from, to } of spells) lostFrac.fill(0.8, from, to);
    const winters = found({ snow: { lostFrac, covered: new Uint8Array(axis.count), spells } }).filter(({ kind }) => kind === "snow");
    expect(winters.map(({ facts }) => facts.spells)).toEqual([3, 2]);
    expect(winters[0]!.facts.days).toBe(12);
    expect(winters[0]!.kwh).toBeCloseTo(0.8 * spells.slice(0, 3).reduce((all, { from, to }) => all + sum(expectedKwh, from, to), 0), 6);
    // Without a depth gauge, snow is read from cold rain alone.
    expect(winters[0]!.facts.gauge).toBe("cold rain");
  });

  it("leave a dusting out that costs next to nothing", () => {
    const spells = [{ from: at(150), to: at(151) }];
    const lostFrac = zeros().fill(0.02, spells[0]!.from, spells[0]!.to);
    expect(found({ snow: { lostFrac, covered: new Uint8Array(axis.count), spells } })).toEqual([]);
  });

  it("of a ceiling stand only where it is not the rating, and hold what lies between the two", () => {
    const ratedAtMeterW = 6000 * (1 - plant.losses.acWiringFrac);
    const top = (powerW: number): Partial<Evidence> => ({
      ceiling: { powerW, heldFrac: 0.1, heldSteps: 400 },
      ceilingKwh: powerW / 1000,
    });
    expect(found(top(ratedAtMeterW * 1.01))).toEqual([]);
    expect(found(top(3500), null)).toEqual([]);
    const finding = one(top(3500), "ceiling");
    const between = expectedKwh.reduce((all, kwh) => all + Math.max(0, Math.min(kwh, ratedAtMeterW / 1000) - 3.5), 0);
    expect(finding.kwh).toBeCloseTo(between, 6);
    expect(finding.facts.powerW).toBe(3500);
  });

  it("of shade name the darkest field, and hold what shade takes of what is owed", () => {
    const field = { hours: 30, isShaded: true, elevationDeg: 12.5 };
    const lostFrac = zeros().fill(0.4, at(20, 8), at(20, 10));
    const fields = [
      { ...field, azimuthDeg: 95, ratio: 0.7 },
      { ...field, azimuthDeg: 105, ratio: 0.4 },
      { ...field, azimuthDeg: 200, ratio: 0.1, isShaded: false },
    ];
    const finding = one({ shade: { fields, lostFrac, isSeen: true, from: 0 } }, "shading");
    expect(finding.facts).toMatchObject({ fields: 2, azimuthDeg: 105, ratio: 0.4 });
    expect(finding.kwh).toBeCloseTo(0.4 * sum(expectedKwh, at(20, 8), at(20, 10)), 9);
    expect(found({ shade: { fields, lostFrac, isSeen: false, from: 0 } })).toEqual([]);
  });

  it("of ageing stand only where it is surely faster than the budget, and not too soon", () => {
    const reading = { ...noRate, isTooSoon: false, perYearFrac: 0.012, low: 0.009, high: 0.015 };
    expect(one({ ageing: reading }, "ageing").facts).toMatchObject({ perYearFrac: 0.012, plannedFrac: 0.005 });
    expect(found({ ageing: { ...reading, low: 0.006 } })).toEqual([]);
    expect(found({ ageing: { ...reading, isTooSoon: true } })).toEqual([]);
  });
});

describe("findings of dirt", () => {
  const dirty = (gain: number, meanErrorFrac = 0.0005): Partial<Evidence> => {
    const lostFracByDay = new Float64Array(DAYS).fill(0.03);
    const soiling = {
      ...evidence().soiling,
      lostFracByDay,
      ratePerDay: 0.001,
      meanLostFrac: 0.03,
      meanErrorFrac,
      gain,
      isSeen: true,
      from: 0,
    };
    return { soiling, expectedKwh: expectedKwh.map((kwh) => kwh * 0.97) };
  };

  it("hold what cleaning would have brought, of what a clean plant owes", () => {
    const finding = one(dirty(900), "soiling");
    expect(finding.kwh).toBeCloseTo(0.03 * sum(expectedKwh, 0, axis.count), 4);
    expect(finding.facts).toMatchObject({ meanLostFrac: 0.03, rains: 0, fitGain: 900 });
  });

  it("are surer, and nearer, the more they better the fit", () => {
    const [weak, fair, strong] = [9, 60, 900].map((gain) => one(dirty(gain), "soiling")) as [CauseFinding, CauseFinding, CauseFinding];
    expect(weak.confidenceFrac).toBeLessThan(0.5);
    expect(fair.confidenceFrac).toBe(0.75);
    expect(strong.confidenceFrac).toBe(0.95);
    const half = ({ kwh, kwhHigh }: CauseFinding): number => kwhHigh! / kwh! - 1;
    expect(half(weak)).toBe(1);
    expect(half(fair)).toBeCloseTo(4.5 / Math.sqrt(60), 9);
    expect(half(strong)).toBeCloseTo(4.5 / 30, 9);
    // A fit that is unsure of the mean is so whatever it gained.
    expect(half(one(dirty(900, 0.006), "soiling"))).toBeGreaterThan(0.4);
  });

  it("tell of cleanings that nobody wrote down where the jump is no scatter", () => {
    const reset = { day: 300, cause: "suspected", beforeFrac: 0.05, effectFrac: 0.045 } as const;
    const { soiling } = dirty(900) as { soiling: Evidence["soiling"] };
    const resets = [reset, { ...reset, day: 400, effectFrac: 0.01 }, { ...reset, day: 500, cause: "rain" } as const];
    const finding = one({ soiling: { ...soiling, resets } }, "unrecorded-cleaning");
    expect(finding.fromUtcMs).toBe(axis.startUtcMs + at(300) * 3_600_000);
    expect(finding.kwh).toBeNull();
    expect(one({ soiling: { ...soiling, resets } }, "soiling").facts.rains).toBe(1);
  });
});

describe("what an hour owes before the ceiling", () => {
  it("has rating, snow and shade in it, and is not told while strings are out or the plant stands", () => {
    const [snowy, shaded, down, string] = [at(200, 12), at(201, 12), at(202, 12), at(203, 12)];
    const lost = (i: number, share: number): Float64Array => zeros().fill(share, i, i + 1);
    const out = beforeCeiling(
      evidence({
        ratingRetained: zeros().fill(0.98),
        snow: { lostFrac: lost(snowy, 0.3), covered: new Uint8Array(axis.count), spells: [] },
        shade: { lostFrac: lost(shaded, 0.2), isSeen: true, from: 0, fields: [] },
        outages: { downFrac: lost(down, 1), outages: [] },
        strings: [
          {
            from: string,
            to: string + 1,
            lostFrac: 0.25,
            measuredFrac: 0.25,
            restored: true,
            part: { kind: "strings", out: 1, of: 4 },
          },
        ],
      }),
      expectedKwh,
    );
    expect(out[snowy]).toBeCloseTo(expectedKwh[snowy]! * 0.98 * 0.7, 9);
    expect(out[shaded]).toBeCloseTo(expectedKwh[shaded]! * 0.98 * 0.8, 9);
    expect(out[down]).toBeNaN();
    expect(out[string]).toBeNaN();
    expect(out[at(204, 12)]).toBeCloseTo(expectedKwh[at(204, 12)]! * 0.98, 9);
  });

  it("is held to the ceiling after the rating, and keeps all where nothing is owed", () => {
    const retained = rated(expectedKwh, flatCurve(0.96), 5);
    const noon = at(5, 12);
    expect(retained[noon]).toBeCloseTo(0.96, 9);
    expect(retained[at(5, 1)]).toBe(1);
    const most = 0.5 * expectedKwh[noon]!;
    expect(capped(expectedKwh, retained, most)[noon]).toBe(most);
    expect(capped(expectedKwh, retained, 1e6)[noon]).toBeCloseTo(0.96 * expectedKwh[noon]!, 9);
  });
});

describe("the laws that a search leaves", () => {
  it("keep what holds on: ceiling, curve, dirt, rate, turn, shade, and strings that are still out", () => {
    const string = { from: at(700), to: axis.count, lostFrac: 0.25, measuredFrac: 0.25, part: { kind: "strings", out: 1, of: 4 } } as const;
    const field = { azimuthDeg: 105, elevationDeg: 12.5, ratio: 0.4, hours: 30 };
    const fitted = fittedOf(
      evidence({
        ceiling: { powerW: 5000, heldFrac: 0.1, heldSteps: 400 },
        strings: [
          { ...string, restored: false },
          { ...string, restored: true, from: at(10) },
        ],
        ageing: { ...noRate, isTooSoon: false, perYearFrac: 0.007, firstStep: { frac: 0.01, low: -0.002, high: 0.02 } },
        shade: {
          isSeen: true,
          from: 0,
          lostFrac: zeros(),
          fields: [
            { ...field, isShaded: true },
            { ...field, azimuthDeg: 200, isShaded: false },
          ],
        },
        planeOffset: { azimuthOffsetDeg: -30, tiltOffsetDeg: 2 },
      }),
    );
    expect(fitted.ceilingW).toBe(5000);
    expect(fitted.stringsOut).toEqual([
      { fromUtcMs: axis.startUtcMs + at(700) * 3_600_000, lostFrac: 0.25, measuredFrac: 0.25, part: string.part },
    ]);
    // A first step that may be none is none.
    expect(fitted.ageing).toEqual({ perYearFrac: 0.007, firstStepFrac: 0 });
    expect(fitted.shade).toEqual([{ azimuthDeg: 105, elevationDeg: 12.5, ratio: 0.4 }]);
    expect(fitted.planeOffset).toEqual({ azimuthOffsetDeg: -30, tiltOffsetDeg: 2 });
    expect(fitted.endUtcMs).toBe(axis.startUtcMs + axis.count * 3_600_000);
  });

  it("hold none of what could not be told", () => {
    const fitted = fittedOf(evidence());
    expect(fitted).toMatchObject({ ceilingW: null, ageing: null, planeOffset: null, shade: [], stringsOut: [] });
  });
});
