import { describe, expect, it } from "vitest";
import { cleaningDates, EVENT_KINDS, readEvents } from "@/formats/events-csv";
import { inPlainText } from "@/wording/problems";
import { guard } from "./guard";

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

describe("the guard", () => {
  const ask = (method: string, headers: Record<string, string>) =>
    guard(new Request("http://127.0.0.1:3000/api/books", { method, headers }));
  const own = { host: "127.0.0.1:3000" };

  it("lets the local owner read and change from our own pages", () => {
    expect(ask("GET", own)).toEqual({ kind: "local-owner" });
    expect(ask("POST", { ...own, origin: "http://127.0.0.1:3000" })).toEqual({ kind: "local-owner" });
    expect(ask("GET", { host: "localhost:3000" }).kind).toBe("local-owner");
    expect(ask("GET", { host: "[::1]:3000" }).kind).toBe("local-owner");
  });

  it("refuses foreign hosts, so that no name can be pointed here", () => {
    for (const host of ["example.test", "127.0.0.1.example.test:3000", ""]) {
      expect(() => ask("GET", { host }), host).toThrow(/foreign-host/);
    }
  });

  it("refuses changes from other origins, ports and sites", () => {
    for (const origin of ["http://example.test", "http://127.0.0.1:4000", "https://127.0.0.1:3000", "null"]) {
      expect(() => ask("POST", { ...own, origin }), origin).toThrow(/foreign-origin$/);
    }
    expect(() => ask("DELETE", { ...own, "sec-fetch-site": "cross-site" })).toThrow(/foreign-origin$/);
  });
});
