import { type Site, siteAcRatedW } from "../../../site";
import { applyWhatIf } from "../../../yield";
import { type CaseTemplate, moneyInput, nameplateW, now, plainSide } from "../template";

/** A larger inverter, or live with clipping. */
export const largerInverter: CaseTemplate = {
  id: "larger-inverter",
  inputsFor: (site) =>
    site.inverters.length === 0
      ? null
      : [
          {
            key: "rating",
            unit: "W",
            value: Math.round(Math.max(nameplateW(site), siteAcRatedW(site) * 1.15) / 100) * 100,
            least: 100,
            most: 1e9,
          },
          moneyInput("price", 600 + 0.09 * nameplateW(site)),
          moneyInput("sold", 0.015 * siteAcRatedW(site)),
        ],
  sides: async (site, figures, simulate, facts) => [
    plainSide({ code: "live-with-it" }, await simulate(site), facts),
    plainSide({ code: "larger-inverter" }, await simulate(applyWhatIf(site, { arrayId: null, acRatedW: figures.rating! })), facts, {
      sums: [now("inverter", figures.price!), now("old-one-sold", -figures.sold!)],
    }),
  ],
};

const modulesOf = (site: Site): number => site.arrays.reduce((sum, array) => sum + array.count, 0);

function perModule(site: Site, unitW: number, efficiencyFrac: number): Site {
  return {
    ...site,
    inverters: site.arrays.map((array) => ({
      ...site.inverters[0]!,
      id: `each-${array.id}`,
      arrays: [array.id],
      acRatedW: unitW,
      perModule: true,
      ratedEfficiencyFrac: efficiencyFrac,
      dcInputLimitW: null,
      exportLimitW: null,
      efficiencyCurve: null,
    })),
    losses: { ...site.losses, mismatchFrac: 0 },
    models: { ...site.models, shading: site.models.shading === "by-array" ? "module-level" : site.models.shading },
    revisions: [],
  };
}

/** One inverter for all, or one a module. */
export const moduleInverters: CaseTemplate = {
  id: "module-inverters",
  inputsFor: (site) =>
    site.inverters.length === 0 || site.inverters.some((inverter) => inverter.perModule)
      ? null
      : [
          {
            key: "unit",
            unit: "W",
            value: Math.round((0.85 * nameplateW(site)) / modulesOf(site) / 5) * 5,
            least: 50,
            most: 2000,
          },
          { key: "efficiency", unit: "percent", value: 96, least: 80, most: 99.5 },
          moneyInput("each", 75),
        ],
  sides: async (site, figures, simulate, facts) => [
    plainSide({ code: "one-inverter" }, await simulate(site), facts),
    plainSide({ code: "module-inverters" }, await simulate(perModule(site, figures.unit!, figures.efficiency! / 100)), facts, {
      sums: [now("module-inverters", figures.each! * modulesOf(site))],
    }),
  ],
};

/** Which of two modules: count, area, racking and electronics in the cost. */
export const whichModule: CaseTemplate = {
  id: "which-module",
  inputsFor: (site) => {
    const own = site.modules[site.arrays[0]!.module]!;
    const areaM2 = own.areaM2 ?? own.pmpW / 200;
    return [
      { key: "area", unit: "m2", value: Math.round(areaM2 * modulesOf(site)), least: 1, most: 1e6 },
      { key: "powerA", unit: "W", value: own.pmpW, least: 10, most: 1000 },
      { key: "sizeA", unit: "m2", value: Number(areaM2.toFixed(2)), least: 0.1, most: 4 },
      {
        key: "gammaA",
        unit: "percent/K",
        value: Number((own.gammaPmpPerK * 100).toFixed(2)),
        least: -0.7,
        most: 0,
      },
      moneyInput("priceA", 0.28 * own.pmpW),
      { key: "powerB", unit: "W", value: Math.round((own.pmpW * 1.12) / 5) * 5, least: 10, most: 1000 },
      { key: "sizeB", unit: "m2", value: Number(areaM2.toFixed(2)), least: 0.1, most: 4 },
      { key: "gammaB", unit: "percent/K", value: -0.29, least: -0.7, most: 0 },
      moneyInput("priceB", 0.42 * own.pmpW),
      moneyInput("rack", 85),
    ];
  },
  async sides(site, figures, simulate, facts) {
    const array = site.arrays[0]!;
    const side = async (letter: "A" | "B") => {
      const [powerW, sizeM2] = [figures[`power${letter}`]!, figures[`size${letter}`]!];
      const count = Math.max(1, Math.floor(figures.area! / sizeM2));
      const module = { ...site.modules[array.module]!, pmpW: powerW, areaM2: sizeM2, gammaPmpPerK: figures[`gamma${letter}`]! / 100 };
      const scale = (count * powerW) / nameplateW(site);
      const whole: Site = {
        ...site,
        modules: { ...site.modules, [array.module]: module },
        arrays: [{ ...array, count, modulesPerString: count }],
        inverters: site.inverters
          .slice(0, 1)
          .map((inverter) => ({ ...inverter, arrays: [array.id], acRatedW: siteAcRatedW(site) * Math.max(1, scale) })),
        meters: [],
        commissioned: null,
        revisions: [],
      };
      return plainSide({ code: "modules", letter, count, powerW }, await simulate(whole), facts, {
        sums: [now("modules", count * figures[`price${letter}`]!), now("racking-and-electronics", count * figures.rack!)],
      });
    };
    return [await side("A"), await side("B")];
  },
};

/** More modules on what is there. */
export const addModules: CaseTemplate = {
  id: "add-modules",
  inputsFor: (site) => [
    { key: "count", unit: "count", value: Math.max(1, Math.round(modulesOf(site) * 0.15)), least: 1, most: 1e5 },
    { key: "power", unit: "W", value: site.modules[site.arrays[0]!.module]!.pmpW, least: 10, most: 1000 },
    moneyInput("each", 0.75 * site.modules[site.arrays[0]!.module]!.pmpW),
    moneyInput("input", 420),
    { key: "mismatch", unit: "percent", value: 2.5, least: 0, most: 40 },
  ],
  async sides(site, figures, simulate, facts) {
    const array = site.arrays[0]!;
    const module = { ...site.modules[array.module]!, pmpW: figures.power! };
    const more = Math.round(figures.count!);
    const own: Site = {
      ...site,
      modules: { ...site.modules, added: module },
      arrays: [...site.arrays, { ...array, id: "added", name: "added", module: "added", count: more, modulesPerString: more }],
      inverters: site.inverters.map((inverter) =>
        inverter.arrays.includes(array.id) ? { ...inverter, arrays: [...inverter.arrays, "added"] } : inverter,
      ),
      meters: site.meters.map((meter) => (meter.arrays.length === 0 ? meter : { ...meter, arrays: [...meter.arrays, "added"] })),
      revisions: [],
    };
    const mixed: Site = { ...own, losses: { ...own.losses, mismatchFrac: own.losses.mismatchFrac + figures.mismatch! / 100 } };
    const modules = now("modules", more * figures.each!);
    return [
      plainSide({ code: "as-it-is" }, await simulate(site), facts),
      plainSide({ code: "on-an-input-of-their-own" }, await simulate(own), facts, { sums: [modules, now("input", figures.input!)] }),
      plainSide({ code: "in-the-same-strings" }, await simulate(mixed), facts, { sums: [modules] }),
    ];
  },
};
