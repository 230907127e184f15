import { foundLine, ledgerLine } from "@test/ledger-line";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FOUND_ACCOUNTS, LEDGER_ACCOUNTS } from "../accounts";
import { foundSumKwh, type LedgerLine, ledgerPostings, lineWithFound, lineWithTransfers, NOTHING_FOUND, totalLine } from ".";

const line = foundLine({ snow: 40, soiling: -10, downtime: 120 }, 800, { dataGapKwh: 20, unmatchedKwh: 0 });

/** The account, which must close. */
const closes = (own: LedgerLine): void =>
  expect(own.expectedKwh - foundSumKwh(own) - own.dataGapKwh - own.unexplainedKwh!).toBeCloseTo(own.meteredKwh! - own.unmatchedKwh, 9);

describe("a line with what was found", () => {
  it("leaves expected and metered as they are, and closes on the unexplained", () => {
    const before = ledgerLine({ meteredKwh: 850, unexplainedKwh: 150, isSought: false });
    const after = lineWithFound(before, { ...NOTHING_FOUND, downtime: 130, ageing: -5 });
    expect([after.expectedKwh, after.meteredKwh, after.isSought]).toEqual([before.expectedKwh, before.meteredKwh, true]);
    expect(after.unexplainedKwh).toBeCloseTo(25, 12);
    closes(after);
  });

  it("says nothing of the unexplained where nothing was read", () => {
    expect(lineWithFound(ledgerLine({ meteredKwh: null, unexplainedKwh: null }), NOTHING_FOUND).unexplainedKwh).toBeNull();
  });
});

describe("a line with what an analyst moved", () => {
  it("is the line itself where nothing was moved", () => {
    expect(lineWithTransfers(line, [])).toBe(line);
    closes(line);
  });

  it("what is moved between losses leaves the rest as it was", () => {
    const moved = lineWithTransfers(line, [{ from: "snow", to: "strings", kwh: 15 }]);
    expect([moved.foundKwh.snow, moved.foundKwh.strings]).toEqual([25, 15]);
    expect([moved.expectedKwh, moved.unexplainedKwh]).toEqual([line.expectedKwh, line.unexplainedKwh]);
    expect(line.foundKwh.snow).toBe(40);
    closes(moved);
  });

  it("what the unexplained gives to a cause, and what a refused one gives back", () => {
    const given = lineWithTransfers(line, [{ from: "unexplained", to: "ageing", kwh: 12 }]);
    expect([given.foundKwh.ageing, given.unexplainedKwh]).toEqual([12, line.unexplainedKwh! - 12]);
    const refused = lineWithTransfers(line, [{ from: "downtime", to: "unexplained", kwh: 120 }]);
    expect([refused.foundKwh.downtime, refused.unexplainedKwh]).toEqual([0, line.unexplainedKwh! + 120]);
    for (const own of [given, refused]) {
      expect(own.expectedKwh).toBe(line.expectedKwh);
      closes(own);
    }
  });

  it("what is moved to the data gap is no loss", () => {
    const moved = lineWithTransfers(line, [{ from: "downtime", to: "dataGap", kwh: 7 }]);
    expect([moved.dataGapKwh, moved.foundKwh.downtime, moved.unexplainedKwh]).toEqual([27, 113, line.unexplainedKwh]);
    closes(moved);
  });

  it("whatever is moved, expected stays and the account closes", () => {
    const transfer = fc.record({
      from: fc.constantFrom(...LEDGER_ACCOUNTS),
      to: fc.constantFrom(...LEDGER_ACCOUNTS),
      kwh: fc.double({ min: -500, max: 500, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(transfer, { maxLength: 8 }), (transfers) => {
        const moved = lineWithTransfers(line, transfers);
        expect(moved.expectedKwh).toBe(line.expectedKwh);
        closes(moved);
        const sum = Object.values(ledgerPostings(moved)).reduce((a, b) => a + b, 0);
        expect(sum).toBeCloseTo(
          Object.values(ledgerPostings(line)).reduce((a, b) => a + b, 0),
          6,
        );
      }),
    );
  });
});

describe("several lines as one", () => {
  it("sum what was found account by account, and close", () => {
    const all = totalLine("2024", [line, foundLine({ downtime: 30, strings: 4 }, 900)]);
    expect([all.foundKwh.downtime, all.foundKwh.strings, all.foundKwh.snow]).toEqual([150, 4, 40]);
    closes(all);
  });

  it("are sought where every line that was read is", () => {
    const unread = ledgerLine({ meteredKwh: null, unexplainedKwh: null, isSought: false });
    const [sought, not] = [ledgerLine(), ledgerLine({ isSought: false })];
    const of = (...lines: LedgerLine[]): boolean => totalLine("x", lines).isSought;
    expect([of(sought, unread), of(sought, not), of(unread)]).toEqual([true, false, false]);
  });

  it("every account has a place in the postings", () => {
    expect(Object.keys(ledgerPostings(line)).sort()).toEqual([...FOUND_ACCOUNTS, "dataGap", "unexplained"].sort());
  });
});
