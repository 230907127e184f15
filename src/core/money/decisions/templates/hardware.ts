import { type Site, siteAcRatedW } from "../../../site";
import { applyWhatIf } from "../../../yield";
import { type CaseTemplate, moneyInput, nameplateW, now, plainSide } from "../template";

/** A larger inverter, or live with clipping. */
export const largerInverter: CaseTemplate = {
  id: "larger-inverter",
  name: "Larger inverter",
  question: "Is what clipping takes worth a larger inverter?",
  caution: "Grid connection: the operator must agree to a larger rating; a licensed electrician swaps it.",
  notFor: "The book names no inverter.",
  inputsFor: (site) =>
    site.inverters.length === 0
      ? null
      : [
          {
            key: "rating",
            label: "New AC rating",
            unit: "W",
            value: Math.round(Math.max(nameplateW(site), siteAcRatedW(site) * 1.15) / 100) * 100,
            least: 100,
            most: 1e9,
          },
          moneyInput("price", "New inverter with its fitting", 600 + 0.09 * nameplateW(site)),
          moneyInput("sold", "Received for the old one", 0.015 * siteAcRatedW(site)),
        ],
  sides: async (site, figures, simulate, facts) => [
    plainSide("Live with it", await simulate(site), facts),
    plainSide("Larger inverter", await simulate(applyWhatIf(site, { arrayId: null, acRatedW: figures.rating! })), facts, {
      sums: [now("inverter", figures.price!), now("old one sold", -figures.sold!)],
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
  name: "Module inverters or one",
  question: "Would an inverter at each module pay, by what mismatch and partial shade now take?",
  caution: "Live parts on the roof: a licensed electrician, and the maker's procedure.",
  notFor: "The book names no inverter, or has module inverters already.",
  inputsFor: (site) =>
    site.inverters.length === 0 || site.inverters.some((inverter) => inverter.perModule)
      ? null
      : [
          {
            key: "unit",
            label: "Rating of each",
            unit: "W",
            value: Math.round((0.85 * nameplateW(site)) / modulesOf(site) / 5) * 5,
            least: 50,
            most: 2000,
          },
          { key: "efficiency", label: "Its rated efficiency", unit: "percent", value: 96, least: 80, most: 99.5 },
          moneyInput("each", "Each, fitted, more than its share of one", 75),
        ],
  sides: async (site, figures, simulate, facts) => [
    plainSide("One inverter", await simulate(site), facts),
    plainSide("Module inverters", await simulate(perModule(site, figures.unit!, figures.efficiency! / 100)), facts, {
      sums: [now("module inverters", figures.each! * modulesOf(site))],
    }),
  ],
};

/** Which of two modules: count, area, racking and electronics in the cost. */
export const whichModule: CaseTemplate = {
  id: "which-module",
  name: "Which module",
  question: "On the same area, is the dearer, better module worth it?",
  caution: null,
  notFor: "",
  inputsFor: (site) => {
    const own = site.modules[site.arrays[0]!.module]!;
    const areaM2 = own.areaM2 ?? own.pmpW / 200;
    return [
      { key: "area", label: "Area for modules", unit: "m2", value: Math.round(areaM2 * modulesOf(site)), least: 1, most: 1e6 },
      { key: "powerA", label: "A: power", unit: "W", value: own.pmpW, least: 10, most: 1000 },
      { key: "sizeA", label: "A: area of one", unit: "m2", value: Number(areaM2.toFixed(2)), least: 0.1, most: 4 },
      {
        key: "gammaA",
        label: "A: power by temperature",
        unit: "percent/K",
        value: Number((own.gammaPmpPerK * 100).toFixed(2)),
        least: -0.7,
        most: 0,
      },
      moneyInput("priceA", "A: each", 0.28 * own.pmpW),
      { key: "powerB", label: "B: power", unit: "W", value: Math.round((own.pmpW * 1.12) / 5) * 5, least: 10, most: 1000 },
      { key: "sizeB", label: "B: area of one", unit: "m2", value: Number(areaM2.toFixed(2)), least: 0.1, most: 4 },
      { key: "gammaB", label: "B: power by temperature", unit: "percent/K", value: -0.29, least: -0.7, most: 0 },
      moneyInput("priceB", "B: each", 0.42 * own.pmpW),
      moneyInput("rack", "Racking and electronics of a module", 85),
    ];
  },
  async sides(site, figures, simulate, facts) {
    const array = site.arrays[0]!;
    const side = async (name: string, letter: "A" | "B") => {
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
      return plainSide(`${name}: ${count} × ${powerW} W`, await simulate(whole), facts, {
        sums: [now("modules", count * figures[`price${letter}`]!), now("racking and electronics", count * figures.rack!)],
      });
    };
    return [await side("A", "A"), await side("B", "B")];
  },
};

/** More modules on what is there. */
export const addModules: CaseTemplate = {
  id: "add-modules",
  name: "Add modules",
  question: "Add modules: on an input of their own, or in the same strings?",
  caution: "String voltage and input current have limits: see the bench before anything is connected.",
  notFor: "",
  inputsFor: (site) => [
    { key: "count", label: "Modules added", unit: "count", value: Math.max(1, Math.round(modulesOf(site) * 0.15)), least: 1, most: 1e5 },
    { key: "power", label: "Power of each", unit: "W", value: site.modules[site.arrays[0]!.module]!.pmpW, least: 10, most: 1000 },
    moneyInput("each", "Each, with racking and cable", 0.75 * site.modules[site.arrays[0]!.module]!.pmpW),
    moneyInput("input", "An input or inverter of their own", 420),
    { key: "mismatch", label: "What sharing a string takes of the whole array", unit: "percent", value: 2.5, least: 0, most: 40 },
  ],
  async sides(site, figures, simulate, facts) {
    const array = site.arrays[0]!;
    const module = { ...site.modules[array.module]!, pmpW: figures.power! };
    const more = Math.round(figures.count!);
    const own: Site = {
      ...site,
      modules: { ...site.modules, added: module },
      arrays: [...site.arrays, { ...array, id: "added", name: "Added", module: "added", count: more, modulesPerString: more }],
      inverters: site.inverters.map((inverter) =>
        inverter.arrays.includes(array.id) ? { ...inverter, arrays: [...inverter.arrays, "added"] } : inverter,
      ),
      meters: site.meters.map((meter) => (meter.arrays.length === 0 ? meter : { ...meter, arrays: [...meter.arrays, "added"] })),
      revisions: [],
    };
    const mixed: Site = { ...own, losses: { ...own.losses, mismatchFrac: own.losses.mismatchFrac + figures.mismatch! / 100 } };
    const modules = now("modules", more * figures.each!);
    return [
      plainSide("As it is", await simulate(site), facts),
      plainSide("On an input of their own", await simulate(own), facts, { sums: [modules, now("input", figures.input!)] }),
      plainSide("In the same strings", await simulate(mixed), facts, { sums: [modules] }),
    ];
  },
};
