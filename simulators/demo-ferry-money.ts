import type { SiteInput } from "@/contracts/site";
import type { ConsumerTruth } from "./supplier";

type Money = NonNullable<SiteInput["money"]>;
type PlanInput = NonNullable<Money["plans"]>[number];

const HOLIDAYS = ["01-01", "05-01", "10-03", "12-25", "12-26"];

/** Peak by day from Monday to Friday, dearer in the dark half of the year. */
function twoRate(
  more: Pick<PlanInput, "id" | "name" | "from" | "to">,
  prices: readonly [string, string, string, string],
  fixed: string,
): PlanInput {
  const [summerPeak, summerOff, winterPeak, winterOff] = prices;
  const season = (name: string, months: number[], peak: string, off: string) => ({
    name,
    months,
    bands: [
      { name: "peak", days: "weekdays" as const, hours: [[7, 20]] as [number, number][], tiers: [{ perKwh: peak }] },
      { name: "off-peak", tiers: [{ perKwh: off }] },
    ],
  });
  return {
    ...more,
    fixedPerMonth: fixed,
    holidays: HOLIDAYS,
    seasons: [season("summer", [4, 5, 6, 7, 8, 9], summerPeak, summerOff), season("winter", [1, 2, 3, 10, 11, 12], winterPeak, winterOff)],
    levies: [{ name: "grid levy", perKwh: "0.0185" }],
    taxes: [{ name: "value added tax", frac: 0.19 }],
    credit: { kind: "feed-in", perKwh: "0.081" },
  };
}

const flat: PlanInput = {
  id: "flat",
  name: "One price all day",
  from: "2024-01-01",
  fixedPerMonth: "13.90",
  seasons: [{ name: "year", months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], bands: [{ name: "all day", tiers: [{ perKwh: "0.2610" }] }] }],
  levies: [{ name: "grid levy", perKwh: "0.0185" }],
  taxes: [{ name: "value added tax", frac: 0.19 }],
  credit: { kind: "feed-in", perKwh: "0.081" },
};

/** Sold to owners of arrays: cheap at noon, when they need nothing, and dear in the evening. */
const sunPlan: PlanInput = {
  id: "sun",
  name: "Sun plan",
  from: "2024-01-01",
  fixedPerMonth: "9.50",
  seasons: [
    {
      name: "year",
      months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
      bands: [
        { name: "noon", hours: [[10, 16]], tiers: [{ perKwh: "0.1990" }] },
        { name: "evening", hours: [[16, 22]], tiers: [{ perKwh: "0.3560" }] },
        { name: "night", tiers: [{ perKwh: "0.2690" }] },
      ],
    },
  ],
  levies: [{ name: "grid levy", perKwh: "0.0185" }],
  taxes: [{ name: "value added tax", frac: 0.19 }],
  credit: { kind: "net-billing", perKwh: "0.094", trueUpMonth: 3 },
};

/** The ferry office's money: a seasonal two-rate tariff, a price rise, offers, running costs and a loan. */
export const ferryMoney: Money = {
  costs: [
    { on: "2020-10-12", amount: "19850.00", what: "system" },
    { on: "2021-03-02", amount: "640.00", what: "meter cabinet" },
  ],
  incentives: [{ on: "2021-01-30", amount: "1500.00", what: "harbour fund" }],
  tariff: { importPerKwh: "0.302", exportPerKwh: "0.081", priceRisePerYearFrac: 0.03, selfUsedFrac: 0.48 },
  plans: [
    twoRate(
      { id: "two-rate-17", name: "Harbour two-rate", from: "2017-01-01", to: "2022-06-30" },
      ["0.2280", "0.1790", "0.2460", "0.1930"],
      "9.80",
    ),
    twoRate(
      { id: "two-rate-22", name: "Harbour two-rate, risen", from: "2022-07-01", to: null },
      ["0.2690", "0.2110", "0.2900", "0.2280"],
      "11.20",
    ),
  ],
  offers: [flat, sunPlan],
  running: {
    perYear: [
      { what: "insurance", amount: "68.00" },
      { what: "inspection", amount: "90.00" },
    ],
    later: [{ what: "inverter", afterYears: 14, amount: "1950.00" }],
    scrap: "-250.00",
    discountFrac: 0.02,
  },
  loan: { principal: "14000.00", ratePerYearFrac: 0.042, termYears: 12, fee: "180.00" },
};

/** An office by the quay: counters by day, heat pump in the cold, and since 2022 a shuttle van that charges at night. */
export const ferryConsumer: ConsumerTruth = {
  seed: 0.417,
  kwhPerYear: 8600,
  workday: [0.5, 0.5, 0.5, 0.5, 0.6, 0.9, 1.4, 1.7, 1.8, 1.8, 1.7, 1.7, 1.6, 1.6, 1.6, 1.6, 1.6, 1.5, 1.3, 1.0, 0.8, 0.7, 0.6, 0.5],
  freeDay: [0.5, 0.5, 0.5, 0.5, 0.5, 0.6, 0.8, 1.1, 1.3, 1.3, 1.3, 1.2, 1.2, 1.2, 1.2, 1.2, 1.1, 1.0, 0.9, 0.7, 0.6, 0.6, 0.5, 0.5],
  season: [1.45, 1.35, 1.15, 0.95, 0.8, 0.75, 0.8, 0.8, 0.8, 0.95, 1.2, 1.4],
  nightCharging: { from: "2022-03-01", kwh: 6.5 },
  firstBill: "2017-10-01",
  lastBill: "2025-12-31",
  mislaid: ["2019-05"],
};
