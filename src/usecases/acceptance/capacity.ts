import { AVERAGE_MINUTES, type CapacityAnswer, type CapacityQuestion, packCapacity } from "@/contracts/acceptance";
import { type CapacityColumns, capacityTest, USUAL_TERMS } from "@/core/capacity";
import { endUtcMs } from "@/core/series";
import { LIGHT_DOUBTS, siteAcRatedW } from "@/core/site";
import { dayBins } from "@/core/time";
import { hoursOfStep, STC_POA_WM2 } from "@/core/units";
import type { OpenLedger } from "../ledger";
import { Refusal } from "../refusal";
import { type Days, type Record, recordOf } from "./columns";

/** A capacity test of a book: its meter against its model, in the same light. */
export function capacityOf(ledger: OpenLedger, question: CapacityQuestion, held: readonly Days[]): CapacityAnswer {
  const { site } = ledger;
  const record = recordOf(ledger, question, false);
  const { axis } = record;
  const averageMinutes = intervalOf(ledger, axis.stepMinutes, question.averageMinutes);
  const columns = columnsOf(record, held, site.place.timeZone);
  const ratedKw = ratedOf(ledger);
  const { gainFrac } = LIGHT_DOUBTS[site.lightSource];
  const report = capacityTest(columns, { ...question, averageMinutes, lightErrorFrac: gainFrac }, ratedKw, site.place.timeZone);
  return packCapacity(report, {
    fromUtcMs: axis.startUtcMs,
    toUtcMs: endUtcMs(axis),
    hasPlaneSensor: record.weather.poaWm2 !== null,
    lightErrorFrac: gainFrac,
    ratedKw,
  });
}

/** Minutes of the test's intervals: as asked, or the shortest usual ones. A meter that is read more seldom than the light sets them too. Refused where readings do not fill them. */
function intervalOf({ meters }: OpenLedger, lightStepMinutes: number, asked: number | null): number {
  const step = Math.max(lightStepMinutes, ...meters.map(({ axis }) => axis.stepMinutes));
  const minutes = asked ?? AVERAGE_MINUTES.find((usual) => usual >= USUAL_TERMS.averageMinutes && usual % step === 0) ?? step;
  if (minutes % step !== 0 || minutes > Math.max(...AVERAGE_MINUTES))
    throw new Refusal("acceptance-refused", "capacity-interval-too-short", { step, asked: minutes });
  return minutes;
}

/** What cuts the power of all arrays together: their inverters, or what may be exported; null where nothing is known to. */
function ratedOf({ site }: OpenLedger): number | null {
  const acKw = site.inverters.length > 0 ? siteAcRatedW(site) / 1000 : Number.POSITIVE_INFINITY;
  const ratedKw = Math.min(acKw, (site.exportLimitW ?? Number.POSITIVE_INFINITY) / 1000);
  return Number.isFinite(ratedKw) ? ratedKw : null;
}

function columnsOf(record: Record, held: readonly Days[], timeZone: string): CapacityColumns {
  const { axis, run, weather, from, to, nameplateKw, meteredKwh, hasLight, expectedKwh } = record;
  if (!weather.airTempC) throw new Refusal("acceptance-refused", "capacity-without-air");
  const hours = hoursOfStep(axis.stepMinutes);
  const { keys, binOf } = dayBins(axis, timeZone);
  const isHeld = keys.map((day) => held.some((span) => day >= span.from && day <= span.to));
  return {
    axis,
    poaWm2: Float64Array.from({ length: to - from }, (_, k) =>
      hasLight[k] === 0 ? Number.NaN : (run.referenceStepKwh[from + k]! / (nameplateKw * hours)) * STC_POA_WM2,
    ),
    airTempC: weather.airTempC.subarray(from, to),
    windSpeedMs: weather.windSpeedMs?.subarray(from, to) ?? null,
    meteredKw: meteredKwh.map((kwh) => kwh / hours),
    expectedKw: expectedKwh.map((kwh) => kwh / hours),
    held: Uint8Array.from(binOf, (bin) => (isHeld[bin] ? 1 : 0)),
  };
}
