import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { TrialSide } from "./side";
import { whatDiffers } from "./what-differs";

const plain = site();
const side = (change: object = {}, inverter: object = {}, parts: Partial<TrialSide> = {}): TrialSide => ({
  name: "side",
  site: {
    ...plain,
    arrays: plain.arrays.map((array) => ({ ...array, ...change })),
    inverters: plain.inverters.map((each) => ({ ...each, ...inverter })),
  },
  point: "ac",
  meteredKwh: new Float64Array(0),
  ...parts,
});
const differs = (b: TrialSide, a = side()) => whatDiffers(a, b);

describe("what differs between two sides", () => {
  it("is nothing between alike ones", () => {
    expect(differs(side())).toEqual([]);
  });

  it.each([
    ["tilt", { tiltDeg: 35 }, "30", "35"],
    ["azimuth", { azimuthDeg: 90 }, "180", "90"],
    ["mounting", { mounting: "roof-close" }, plain.arrays[0]!.mounting, "roof-close"],
    ["place", { eastM: 3, northM: -2 }, "", "3 -2"],
    ["height", { baseHeightM: 7 }, String(plain.arrays[0]!.baseHeightM), "7"],
    ["shade-rule", { shadeRule: "worst-module" }, "by-inverter", "worst-module"],
    ["strings", { modulesPerString: 10 }, "20", "10"],
    ["obstacles", { obstacles: [{ kind: "tree", name: "" }] }, "", "tree"],
    ["obstacles", { obstacles: [{ kind: "tree", name: "lime" }] }, "", "lime"],
    [
      "schedule",
      {
        tiltSchedule: [
          { from: "04-01", tiltDeg: 15 },
          { from: "10-01", tiltDeg: 60 },
        ],
      },
      "",
      "04-01 15 10-01 60",
    ],
  ] as const)("%s, by the book's own figures", (what, change, a, b) => {
    expect(differs(side(change))).toEqual([{ what, a, b }]);
  });

  it("a place that is half known is not known", () => {
    expect(differs(side({ eastM: 3, northM: null }))).toEqual([]);
  });

  it("the module, and with it the DC/AC ratio where its power differs", () => {
    const other = site({ modules: { m: { pmpW: 500, gammaPmpPerK: -0.0035 } } });
    expect(differs({ ...side(), site: other })).toEqual([{ what: "dc-ac-ratio", a: "1.33", b: "1.67" }]);
    const named = site({
      modules: { n: { pmpW: 400, gammaPmpPerK: -0.0035 } },
      arrays: [{ id: "a", module: "n", count: 20, tiltDeg: 30, azimuthDeg: 180 }],
    });
    expect(differs({ ...side(), site: named })).toEqual([{ what: "module", a: "m", b: "n" }]);
  });

  it("the inverter, its electronics at each module, and none", () => {
    expect(differs(side({}, { ratedEfficiencyFrac: 0.98 }))).toEqual([{ what: "inverter", a: "6000 W, 0.97", b: "6000 W, 0.98" }]);
    const each = differs(side({}, { perModule: true, acRatedW: 300 }));
    expect(each.map(({ what, b }) => [what, b])).toEqual([
      ["inverter", "300 W, 0.97"],
      ["per-module", "per-module"],
      ["strings", "1"],
    ]);
    expect(differs({ ...side(), site: { ...plain, inverters: [] } }).find(({ what }) => what === "inverter")!.b).toBe("none");
  });

  it("where each is metered", () => {
    expect(differs(side({}, {}, { point: "dc" }))).toEqual([{ what: "metering", a: "ac", b: "dc" }]);
  });

  it("several arrays are named once each, in order", () => {
    const many = { ...side(), site: { ...plain, arrays: [40, 10, 40].map((tiltDeg) => ({ ...plain.arrays[0]!, tiltDeg })) } };
    expect(differs(many).find(({ what }) => what === "tilt")!.b).toBe("10, 40");
  });
});
