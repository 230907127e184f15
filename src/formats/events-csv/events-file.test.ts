import { describe, expect, it } from "vitest";
import { inPlainText } from "@/wording/problems";
import { cleaningDates, EVENT_KINDS, readEvents } from ".";

const read = (text: string) =>
  readEvents(
    (async function* () {
      yield new TextEncoder().encode(text);
    })(),
  );

describe("an events file", () => {
  it("is read by date or by span, with its notes", async () => {
    const { events, problems } = await read("date,kind,array,note\n2023-05-01,cleaning,a,roof washed\n2023-06-02T10:00,outage,,\n");
    expect(problems).toEqual([]);
    expect(events[0]).toEqual({ from: "2023-05-01", to: "2023-05-01", kind: "cleaning", array: "a", note: "roof washed", value: "" });
    const spans = await read("from;to;kind\n2023-05-01;2023-05-03;Cleaning\n");
    expect(cleaningDates(spans.events)).toEqual(["2023-05-03"]);
  });

  it("keeps a kind that it does not know as a note, and names a date that is none", async () => {
    const { events, problems } = await read("date,kind,note\n2023-05-01,blessing,of the roof\n2023-13-01,repair,\n");
    expect(events[0]).toMatchObject({ kind: "note", note: "blessing: of the roof" });
    const told = problems.map(inPlainText).join("\n");
    expect(told).toContain("row 2, kind: blessing");
    expect(told).toContain(EVENT_KINDS.join(", "));
    expect(told).toContain("row 3, from: 2023-13-01");
  });

  it("that is empty, or has no kind, is refused", async () => {
    expect((await read("")).problems[0]!.code).toBe("empty-file");
    expect((await read("date,what\n2023-05-01,x\n")).problems.map((p) => p.code)).toContain("no-value-column");
  });
});
