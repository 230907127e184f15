import { clipW, constantEfficiencyW, efficiencyAt, type KingInverter, kingInverterW, weightedEfficiency } from "@/core/inverter";
import {
  ashrae,
  currentA,
  diffuseModifier,
  diodeAt,
  faiman,
  fitDatasheet,
  fresnel,
  type HuldCoefficients,
  huldEfficiency,
  type IncidenceModifier,
  kingCell,
  kingModule,
  martinRuiz,
  operatingPoint,
  type ReferenceParameters,
  ross,
  temperatureFactor,
} from "@/core/module";
import { coverLossFrac, fillSnowCover, type SnowClimate, townsendPowers } from "@/core/snow";
import { fillKimber } from "@/core/soiling";
import { degToRad } from "@/core/units";
import { type MethodCheck, over } from "./compare";

type Numbers = Record<string, number>;
type Arrays = Record<string, number[]>;
const glass = (i: Numbers) => ({ refractiveIndex: i.refractiveIndex!, glazingPerM: i.glazingPerM!, thicknessM: i.glassThicknessM! });

const MODIFIERS: readonly { method: string; key: string; source: string; of: (input: Numbers) => IncidenceModifier }[] = [
  { method: "ASHRAE", key: "ashrae", source: "Souka & Safwat, 1966", of: (i) => (c) => ashrae(c, i.b0!) },
  { method: "Martin & Ruiz", key: "martinRuiz", source: "Martin & Ruiz, 2001", of: (i) => (c) => martinRuiz(c, i.ar!) },
  { method: "Fresnel", key: "physical", source: "De Soto, Klein & Beckman, 2006", of: (i) => (c) => fresnel(c, glass(i)) },
];

const reflection: MethodCheck[] = MODIFIERS.flatMap(({ method, key, source, of }) => [
  {
    stage: "Reflection",
    method: `${method}, by angle`,
    source,
    unit: "1",
    tolerance: "1e-6",
    comparisons: over<Numbers, Numbers>("incidence-angle-modifier", "angle", { absolute: 1e-6 }, (input, expected) => [
      [of(input)(input.thetaDeg! >= 90 ? 0 : Math.cos(degToRad(input.thetaDeg!))), expected[key]!],
    ]),
  },
  {
    stage: "Reflection",
    method: `${method}, sky and ground`,
    source,
    unit: "1",
    tolerance: "1e-4: another quadrature",
    comparisons: over<Numbers, Record<string, number | null>>(
      "incidence-angle-modifier",
      "diffuse",
      { absolute: 1e-4 },
      (input, expected) => [
        [diffuseModifier(of(input), input.tiltDeg!, "sky"), expected[`${key}Sky`]!],
        [diffuseModifier(of(input), input.tiltDeg!, "ground"), expected[`${key}Ground`] ?? null],
      ],
    ),
  },
]);

const temperature = (method: string, source: string, key: string, of: (i: Numbers) => number): MethodCheck => ({
  stage: "Cell temperature",
  method,
  source,
  unit: "°C",
  tolerance: "1e-6 °C",
  comparisons: over<Numbers, Numbers>("cell-temperature", undefined, { absolute: 1e-6 }, (input, expected) => [
    [of(input), expected[key]!],
  ]),
});

interface PointIn {
  reference: ReferenceParameters;
  irradianceWm2: number;
  cellTempC: number;
  voltagesV: number[];
}

const sheetOf = (i: Numbers) => ({
  iscA: i.iscA!,
  vocV: i.vocV!,
  impA: i.impA!,
  vmpV: i.vmpV!,
  cellsInSeries: i.cellsInSeries!,
  alphaIscPerK: i.alphaIscPctPerK! / 100,
  betaVocPerK: i.betaVocPctPerK! / 100,
});

const cells: MethodCheck[] = [
  {
    stage: "DC power",
    method: "Temperature coefficient",
    source: "IEC 61215",
    unit: "W",
    tolerance: "1e-6",
    comparisons: over<Numbers, Numbers>("single-diode", "dc-power", { absolute: 1e-9, relative: 1e-6 }, (input, expected) => [
      [
        (input.pmpStcW! * input.irradianceWm2! * temperatureFactor(input.cellTempC!, input.gammaPctPerK! / 100)) / 1000,
        expected.linearPowerW!,
      ],
    ]),
  },
  {
    stage: "DC power",
    method: "Low light",
    source: "Huld et al., 2011",
    unit: "1",
    tolerance: "1e-6",
    comparisons: over<Numbers & { huldK: HuldCoefficients }, Numbers>(
      "single-diode",
      "dc-power",
      { absolute: 1e-12, relative: 1e-6 },
      (input, expected) => [[huldEfficiency(input.irradianceWm2!, input.cellTempC!, input.huldK), expected.huldRelativeEfficiency!]],
    ),
  },
  {
    stage: "DC power",
    method: "Single diode: Isc, Voc, Pmp",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "A, V, W",
    tolerance: "1e-6",
    comparisons: over<PointIn, Numbers>("single-diode", "operating-point", { absolute: 1e-7, relative: 1e-6 }, (input, expected) => {
      const point = operatingPoint(diodeAt(input.reference, input.irradianceWm2, input.cellTempC));
      return (["iscA", "vocV", "pmpW"] as const).map((key) => [point[key], expected[key]!] as const);
    }),
  },
  {
    stage: "DC power",
    method: "Single diode: parameters at light and temperature",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "A, V",
    tolerance: "1e-6",
    comparisons: () => [
      ...over<PointIn, Numbers>("single-diode", "operating-point", { relative: 1e-6 }, (input, expected) => {
        const diode = diodeAt(input.reference, input.irradianceWm2, input.cellTempC);
        return [
          [diode.saturationCurrentA, expected.saturationCurrentA!],
          [diode.modifiedIdealityV, expected.modifiedIdealityV!],
        ];
      })(),
      ...over<PointIn, Numbers>("single-diode", "operating-point", { absolute: 1e-7, relative: 1e-6 }, (input, expected) => [
        [diodeAt(input.reference, input.irradianceWm2, input.cellTempC).photocurrentA, expected.photocurrentA!],
      ])(),
    ],
  },
  {
    stage: "DC power",
    method: "Single diode: the whole I-V curve",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "A",
    tolerance: "1e-7 A + 1e-6",
    comparisons: over<PointIn, Arrays>("single-diode", "operating-point", { absolute: 1e-7, relative: 1e-6 }, (input, expected) => {
      const diode = diodeAt(input.reference, input.irradianceWm2, input.cellTempC);
      return input.voltagesV.map((v, k) => [currentA(diode, v), expected.currentsA![k]!] as const);
    }),
  },
  {
    stage: "DC power",
    method: "Single diode: point of maximum power",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "V, A",
    tolerance: "1e-5: the maximum is flat",
    comparisons: over<PointIn, Numbers>("single-diode", "operating-point", { absolute: 1e-7, relative: 1e-5 }, (input, expected) => {
      const point = operatingPoint(diodeAt(input.reference, input.irradianceWm2, input.cellTempC));
      return [
        [point.vmpV, expected.vmpV!],
        [point.impA, expected.impA!],
      ];
    }),
  },
  {
    stage: "DC power",
    method: "Five parameters: the datasheet again",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "A, V, W",
    tolerance: "1e-6",
    comparisons: over<Numbers, Numbers>("single-diode", "datasheet", { relative: 1e-6 }, (input) => {
      const point = operatingPoint(diodeAt(fitDatasheet(sheetOf(input))!, 1000, 25));
      return [
        [point.iscA, input.iscA!],
        [point.vocV, input.vocV!],
        [point.pmpW, input.impA! * input.vmpV!],
      ];
    }),
  },
  {
    stage: "DC power",
    method: "Five parameters: ideality",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "V",
    tolerance: "1e-3: ill-conditioned",
    comparisons: over<Numbers, Numbers>("single-diode", "datasheet", { relative: 0.001 }, (input, expected) => [
      [fitDatasheet(sheetOf(input))!.modifiedIdealityV, expected.modifiedIdealityV!],
    ]),
  },
  {
    stage: "DC power",
    method: "Five parameters: saturation current",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "A",
    tolerance: "2 %: ill-conditioned",
    comparisons: over<Numbers, Numbers>("single-diode", "datasheet", { relative: 0.02 }, (input, expected) => [
      [fitDatasheet(sheetOf(input))!.saturationCurrentA, expected.saturationCurrentA!],
    ]),
  },
  {
    stage: "DC power",
    method: "Five parameters: power at 800 W/m² and 45 °C",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "W",
    tolerance: "1e-3",
    comparisons: over<Numbers, Numbers>("single-diode", "datasheet", { relative: 0.001 }, (input, expected) => [
      [operatingPoint(diodeAt(fitDatasheet(sheetOf(input))!, 800, 45)).pmpW, expected.pmpAt800Wm2And45CW!],
    ]),
  },
  {
    stage: "DC power",
    method: "Five parameters: resistances",
    source: "De Soto, Klein & Beckman, 2006",
    unit: "Ω",
    tolerance: "0.5 % in series, 1 % across: ill-conditioned",
    comparisons: () => [
      ...over<Numbers, Numbers>("single-diode", "datasheet", { relative: 0.005 }, (input, expected) => [
        [fitDatasheet(sheetOf(input))!.seriesOhm, expected.seriesOhm!],
      ])(),
      ...over<Numbers, Numbers>("single-diode", "datasheet", { relative: 0.01 }, (input, expected) => [
        [fitDatasheet(sheetOf(input))!.shuntOhm, expected.shuntOhm!],
      ])(),
    ],
  },
];

const pointsOf = (input: Arrays) => input.loadFractions!.map((loadFrac, k) => ({ loadFrac, efficiencyFrac: input.efficiencies![k]! }));
const EXACT = { absolute: 1e-6, relative: 1e-9 };

const inverters: MethodCheck[] = [
  {
    stage: "Inverter",
    method: "Constant efficiency",
    source: "IEC 61683",
    unit: "W",
    tolerance: "1e-6 W + 1e-9",
    comparisons: over<Numbers, Numbers>("inverter", "constant", EXACT, (input, expected) => [
      [clipW(constantEfficiencyW(input.pdcW!, input.efficiency!), input.pacMaxW!), expected.pacW!],
    ]),
  },
  {
    stage: "Inverter",
    method: "Efficiency on the curve",
    source: "IEC 61683",
    unit: "1",
    tolerance: "1e-6 + 1e-9",
    comparisons: over<Numbers & Arrays, Numbers>("inverter", "curve", EXACT, (input, expected) => [
      [efficiencyAt(pointsOf(input), input.pdcW! / input.pdcRatedW!), expected.efficiency!],
    ]),
  },
  {
    stage: "Inverter",
    method: "Part-load curve",
    source: "IEC 61683",
    unit: "W",
    tolerance: "1e-6 W + 1e-9",
    comparisons: over<Numbers & Arrays, Numbers>("inverter", "curve", EXACT, (input, expected) => [
      [Math.min(input.pdcW! * efficiencyAt(pointsOf(input), input.pdcW! / input.pdcRatedW!), input.pacMaxW!), expected.pacW!],
    ]),
  },
  {
    stage: "Inverter",
    method: "King",
    source: "King et al., 2007",
    unit: "W",
    tolerance: "1e-6 W + 1e-9",
    comparisons: over<KingInverter & Numbers, Numbers>("inverter", "king", EXACT, (input, expected) => [
      [Math.min(kingInverterW(input.pdcW!, input.vdcV!, input), input.pac0W), expected.pacW!],
    ]),
  },
  {
    stage: "Inverter",
    method: "Weighted efficiencies",
    source: "IEC 61683; California Energy Commission, 2004",
    unit: "1",
    tolerance: "1e-6 + 1e-9",
    comparisons: over<Arrays, Numbers>("inverter", "weighted", EXACT, (input, expected) => [
      [weightedEfficiency(pointsOf(input), "european"), expected.europeanEfficiency!],
      [weightedEfficiency(pointsOf(input), "californian"), expected.californiaEfficiency!],
    ]),
  },
];

const dirtAndSnow: MethodCheck[] = [
  {
    stage: "Snow",
    method: "Sliding cover",
    source: "Marion et al., 2013",
    unit: "1",
    tolerance: "1e-9",
    comparisons: over<Numbers & Arrays, Arrays>("snow-and-soiling", "marion", { absolute: 1e-9 }, (input, expected) => {
      const terms = {
        sinTilt: Math.sin(degToRad(input.tiltDeg as number)),
        stepHours: input.stepHours as number,
        coveringCm: input.newSnowThresholdCm as number,
        initialCover: input.initialCoverage as number,
      };
      const steps = input.newSnowCm!.length;
      const cover = fillSnowCover(input.newSnowCm!, input.poaWm2!, input.airTempC!, terms, new Float64Array(steps));
      return Array.from(cover).flatMap((share, i) => [
        [share, expected.coverage![i]!] as const,
        [coverLossFrac(share, input.stringsAlongSlant as number), expected.dcLossFraction![i]!] as const,
      ]);
    }),
  },
  {
    stage: "Snow",
    method: "Monthly loss",
    source: "Townsend & Powers, 2011",
    unit: "1",
    tolerance: "1e-6",
    comparisons: over<SnowClimate, Arrays>("snow-and-soiling", "townsend-powers", { absolute: 1e-6 }, (input, expected) =>
      (["effectiveSnowIn", "groundInterference", "lossFraction"] as const).flatMap((key) =>
        townsendPowers(input)[key].map((value, m) => [value, expected[key]![m]!] as const),
      ),
    ),
  },
  {
    stage: "Soiling",
    method: "Build-up and rain",
    source: "Kimber et al., 2006",
    unit: "1",
    tolerance: "1e-9",
    comparisons: over<Numbers & Arrays, Arrays>("snow-and-soiling", "kimber", { absolute: 1e-9 }, (input, expected) => {
      const terms = {
        ratePerDayFrac: input.ratePerDay as number,
        cleaningRainMm: input.cleaningThresholdMm as number,
        graceDays: input.graceDays as number,
        maxFrac: input.maxSoiling as number,
      };
      const rain = input.rainMm!;
      const cleaned = rain.map((_, day) => (input.manualWashDays!.includes(day) ? 1 : 0));
      const got = fillKimber(rain, cleaned, terms, input.initialSoiling as number, new Float64Array(rain.length));
      return Array.from(got, (share, day) => [share, expected.soilingFraction![day]!] as const);
    }),
  },
];

/** From the glass to the meter. */
export const PLANT_CHECKS: readonly MethodCheck[] = [
  ...dirtAndSnow,
  ...reflection,
  temperature("Faiman", "Faiman, 2008", "faimanModuleC", (i) => faiman(i.poaWm2!, i.airTempC!, i.windSpeedMs!, { u0: i.u0!, u1: i.u1! })),
  temperature("Ross", "Ross, 1980", "rossCellC", (i) => ross(i.poaWm2!, i.airTempC!, i.noctC!)),
  temperature("King, module back", "King, Boyson & Kratochvil, 2004", "kingModuleC", (i) =>
    kingModule(i.poaWm2!, i.airTempC!, i.windSpeedMs!, { a: i.kingA!, b: i.kingB!, deltaTK: i.kingDeltaTK! }),
  ),
  temperature("King", "King, Boyson & Kratochvil, 2004", "kingCellC", (i) =>
    kingCell(i.poaWm2!, i.airTempC!, i.windSpeedMs!, { a: i.kingA!, b: i.kingB!, deltaTK: i.kingDeltaTK! }),
  ),
  ...cells,
  ...inverters,
];
