import { type GuaranteeAnswer, type GuaranteeQuestion, packYear } from "@/contracts/acceptance";
import { type GuaranteeTerms, guaranteeYears } from "@/core/guarantee";
import { heatFrac } from "@/core/ledger";
import { amountOf, Exact, quantity, roundTo } from "@/core/money";
import { LIGHT_DOUBTS } from "@/core/site";
import type { OpenLedger } from "../ledger";
import { type Days, recordOf } from "./columns";

/** A guarantee of a book settled year by year. `held` are spans in which something outside held the plant. */
export function guaranteeOf(ledger: OpenLedger, question: GuaranteeQuestion, held: readonly Days[]): GuaranteeAnswer {
  const { site, report } = ledger;
  const { of, damagesPerKwh, kind: _, ...terms } = question;
  const record = recordOf(ledger, { from: null, to: null }, of !== "availability");
  const { axis, run, nameplateKw, meteredKwh, expectedKwh } = record;
  const heat = run.bins.keys.map((key) => {
    const line = report.months.find((month) => month.key === key);
    return (line && heatFrac(line)) ?? 0;
  });
  const { gainFrac } = LIGHT_DOUBTS[site.lightSource];
  const asked: GuaranteeTerms = { ...terms, kind: of, lightErrorFrac: gainFrac };
  const years = guaranteeYears(
    {
      ...{ axis, meteredKwh, expectedKwh, nameplateKw },
      referenceKwh: run.referenceStepKwh,
      heatFrac: Float64Array.from(run.bins.binOf, (bin) => heat[bin]!),
    },
    asked,
    held,
    site.place.timeZone,
  );
  const damages = (kwh: number): string | null =>
    damagesPerKwh === null ? null : amountOf(roundTo(new Exact(damagesPerKwh).times(quantity(kwh)), site.currency), site.currency);
  return {
    kind: "guarantee",
    of,
    lightErrorFrac: gainFrac,
    held: held.map(({ from, to }) => ({ from, to })),
    // Nothing is owed for a year that is not settled.
    years: years.map((year) => packYear(year, year.outcome === "missed" || year.outcome === "kept" ? damages(year.shortKwh) : null)),
  };
}
