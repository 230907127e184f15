import { type CaseTemplate, moneyInput, nameplateW, now, plainSide } from "../template";

const LIFE_YEARS = 28;

/** The roof must be made new: put the old modules back, scrap them, or buy new ones. */
export const newRoof: CaseTemplate = {
  id: "new-roof",
  name: "After a new roof",
  question: "The array has to come down for the roof. Put it back, scrap it, or renew it?",
  caution: "Work at height and on live DC: the maker's procedure, local code and a licensed electrician come first.",
  notFor: "",
  inputsFor: (site, facts) => [
    moneyInput("down", "Taking down and storing", 250 + 0.12 * nameplateW(site)),
    moneyInput("again", "Putting the old ones back", 300 + 0.16 * nameplateW(site)),
    moneyInput("scrap", "Scrapping the old ones", 60 + 0.02 * nameplateW(site)),
    moneyInput("renew", "A new array, all in", 0.95 * nameplateW(site)),
    { key: "better", label: "New modules give more, on the same area", unit: "percent", value: 15, least: 0, most: 60 },
    {
      key: "left",
      label: "Years that the old ones still have",
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
      plainSide("Scrap it, no array", none, facts, { sums: [now("taking down", figures.down!), now("scrapping", figures.scrap!)] }),
      plainSide("Put the old one back", today, facts, {
        sums: [now("taking down", figures.down!), now("putting back", figures.again!)],
        endsAfterYears: figures.left!,
      }),
      plainSide("Renew it", fresh, facts, {
        sums: [now("taking down", figures.down!), now("scrapping", figures.scrap!), now("new array", figures.renew!)],
      }),
    ];
  },
};
