import { type CaseTemplate, moneyInput, nameplateW, now, plainSide } from "../template";

const LIFE_YEARS = 28;

/** The roof must be made new: put the old modules back, scrap them, or buy new ones. */
export const newRoof: CaseTemplate = {
  id: "new-roof",
  inputsFor: (site, facts) => [
    moneyInput("down", 250 + 0.12 * nameplateW(site)),
    moneyInput("again", 300 + 0.16 * nameplateW(site)),
    moneyInput("scrap", 60 + 0.02 * nameplateW(site)),
    moneyInput("renew", 0.95 * nameplateW(site)),
    { key: "better", unit: "percent", value: 15, least: 0, most: 60 },
    {
      key: "left",
      unit: "years",
      value: Math.max(3, Math.round(LIFE_YEARS - facts.ageYears)),
      least: 1,
      most: 40,
    },
  ],
  async sides(site, figures, simulate, facts) {
    const today = await simulate(site);
    const aged = 1 - facts.ageingPerYearFrac * facts.ageYears;
    const none = today.map(() => 0);
    const fresh = today.map((kwh) => (kwh / aged) * (1 + figures.better! / 100));
    return [
      plainSide({ code: "scrap-it-no-array" }, none, facts, {
        sums: [now("taking-down", figures.down!), now("scrapping", figures.scrap!)],
      }),
      plainSide({ code: "put-the-old-one-back" }, today, facts, {
        sums: [now("taking-down", figures.down!), now("putting-back", figures.again!)],
        endsAfterYears: figures.left!,
      }),
      plainSide({ code: "renew-it" }, fresh, facts, {
        sums: [now("taking-down", figures.down!), now("scrapping", figures.scrap!), now("new-array", figures.renew!)],
      }),
    ];
  },
};
