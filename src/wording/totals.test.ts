import { describe, expect, it } from "vitest";
import { changeFromTotals, totalsTrial, twoMornings } from "@/core/trial";
import { CLOUDLESS_TOLD } from "./sun-told";
import { changeTotalsVerdict, morningsVerdict, totalsVerdict } from "./totals";
import { gearWorking } from "./workings/gear-working";
import { mistakeWorking } from "./workings/mistake-working";
import { changeTotalsWorking, morningsWorking, totalsWorking } from "./workings/totals-workings";

const side = (name: string) => ({ name, kwp: 4, toAcFrac: 1, toAcOff: 0 });
const rows = (pairs: readonly (readonly [number, number])[]) => pairs.map(([a, b], k) => ({ label: `2025-0${k + 1}`, month: k + 1, a, b }));

describe("what totals tell", () => {
  it("claims no interval of two months, none that is open, and names the months that it does not know", () => {
    expect(
      totalsVerdict(
        totalsTrial(
          side("a"),
          side("b"),
          rows([
            [100, 110],
            [100, 111],
          ]),
        )!,
        "a",
        "b",
      ),
    ).toMatch(/too few.*March to December/);
    expect(
      totalsVerdict(
        totalsTrial(
          side("a"),
          side("b"),
          rows([
            [100, 120],
            [100, 90],
            [100, 105],
          ]),
        )!,
        "a",
        "b",
      ),
    ).toContain("no difference can be told");
    expect(
      totalsVerdict(
        totalsTrial(
          side("a"),
          side("b"),
          rows([
            [100, 110],
            [200, 221],
            [300, 330],
          ]),
        )!,
        "a",
        "b",
      ),
    ).not.toContain("no difference");
  });

  it("does not take the weather of two years for what was done", () => {
    const month = { label: "May", before: 400, after: 430, otherBefore: null, otherAfter: null };
    expect(changeTotalsVerdict(changeFromTotals([month])!)).toContain("nothing can be told of what was done");
    const other = { ...month, otherBefore: 1000, otherAfter: 1001 };
    expect(changeTotalsVerdict(changeFromTotals(Array.from({ length: 9 }, () => other))!)).toContain("against the other plant");
  });

  it("lets a morning prove what it can", () => {
    const judge = (second: number) => morningsVerdict(twoMornings({ readKwh: 3, cloudlessKwh: 3 }, { readKwh: second, cloudlessKwh: 3 })!);
    expect(judge(3.1)).toContain("proves nothing yet");
    expect(judge(3.5)).toContain("something changed");
    expect(judge(1)).toContain("not cloudless");
  });
});

describe("workings of the new benches", () => {
  const whole = ({
    title,
    value,
    inputs,
    source,
  }: {
    title: string;
    value: string;
    inputs: readonly { value: string }[];
    source: string;
  }) => {
    expect([title, value, source].every((text) => text.length > 0)).toBe(true);
    expect(inputs.every((input) => input.value !== "" && !input.value.includes("NaN"))).toBe(true);
  };

  it("stand whole, each with its source", () => {
    const [a, b] = [side("a"), side("b")];
    whole(
      totalsWorking(
        totalsTrial(
          a,
          b,
          rows([
            [100, 110],
            [100, 111],
          ]),
        )!,
        a,
        b,
      ),
    );
    whole(changeTotalsWorking(changeFromTotals([{ label: "May", before: 4, after: 5, otherBefore: null, otherAfter: null }])!));
    const [first, second] = [
      { readKwh: 3, cloudlessKwh: 3 },
      { readKwh: 3.1, cloudlessKwh: 3 },
    ];
    whole(morningsWorking(twoMornings(first, second)!, first, second));
    for (const kind of ["azimuth", "tilt", "left", "late", "shade", "dirt", "cable", "string"] as const)
      whole(mistakeWorking(kind, { couldKwh: 100, isKwh: 90, mendedKwh: 98 }, CLOUDLESS_TOLD));
    const year = {
      hottestC: 48,
      meanC: 20,
      hotHours: 10,
      frostHours: 0,
      deratedKwh: 3,
      lifeFrac: { lead: 0.6, lithium: 0.7 },
      monthsHottestC: [],
    };
    const stands = { place: "metal-shed", colour: "dark", isShaded: false, airing: "closed" } as const;
    whole(gearWorking(stands, year, { ratedW: 5000, fullToC: 45, perKFrac: 0.025 }, CLOUDLESS_TOLD));
  });
});
