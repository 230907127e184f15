import { cableLoss, type MixedArray, mixedPoint, stringLimits } from "@/core/electrical";
import {
  cooperDeclinationDeg,
  dayLengthHours,
  equationOfTimeMinutes,
  noonElevationDeg,
  rowSpacing,
  shadowOf,
  spencerDeclinationDeg,
  sunAtSolarTime,
} from "@/core/geometry";
import { sunPosition } from "@/core/sun";
import { degToRad } from "@/core/units";
import { referenceCases } from "../reference-vectors";
import { type MethodCheck, over } from "./compare";

type Numbers = Record<string, number>;
type Maybe = Record<string, number | null>;
const CLOSED = { relative: 1e-9, absolute: 1e-9 };
const ANGLE = { absolute: 1e-6 };
const orNaN = (value: number | null | undefined): number => value ?? Number.NaN;

interface Mixed {
  iscA: number;
  vocV: number;
  pmpW: number;
  sumOfModulesW: number;
  strings: { pmpW: number }[];
}
const mixed =
  (of: (got: ReturnType<typeof mixedPoint>, expected: Mixed) => readonly (readonly [number, number])[], tolerance: object) => () =>
    ["series", "parallel"].flatMap((kind) =>
      over<MixedArray, Mixed>("mismatch", kind, tolerance, (input, expected) => of(mixedPoint(input), expected))(),
    );

/** Shadows carry the sun's own tolerance, case by case. */
const shadows = () =>
  referenceCases<Numbers & { timeUtc: string }, Maybe & { shadowRelTolerance?: number }>("seasonal-geometry", "shadow").map(
    ({ id, input, expected }) => {
      const sun = sunPosition(Date.parse(input.timeUtc), {
        latitudeDeg: input.latitudeDeg!,
        longitudeDeg: input.longitudeDeg!,
        pressurePa: 0,
        airTempC: 15,
      });
      const shadow = shadowOf(input.obstacleHeightM!, { elevationDeg: 90 - sun.trueZenithDeg, azimuthDeg: sun.azimuthDeg });
      const relative = expected.shadowRelTolerance ?? 1e-4;
      return { id, got: orNaN(shadow?.lengthM), expected: expected.shadowLengthM ?? null, absolute: 0, relative };
    },
  );

/** Calculators that share the chain's laws: seasons, shadows, cables, strings of unlike modules. */
export const BENCH_CHECKS: readonly MethodCheck[] = [
  {
    stage: "Seasons",
    method: "Declination, equation of time",
    source: "Cooper, 1969; Spencer, 1971",
    unit: "°, min",
    tolerance: "1e-6",
    comparisons: over<Numbers, Numbers>("seasonal-geometry", "declination", ANGLE, (input, expected) => [
      [cooperDeclinationDeg(input.dayOfYear!), expected.cooperDeg!],
      [spencerDeclinationDeg(input.dayOfYear!), expected.spencerDeg!],
      [equationOfTimeMinutes(input.dayOfYear!), expected.equationOfTimeSpencerMin!],
    ]),
  },
  {
    stage: "Seasons",
    method: "Noon, day length, direction by solar time",
    source: "Iqbal, 1983",
    unit: "°, h",
    tolerance: "1e-6",
    comparisons: () => [
      ...over<Numbers, Numbers>("seasonal-geometry", "noon", ANGLE, (input, expected) => [
        [noonElevationDeg(input.latitudeDeg!, input.declinationDeg!), expected.noonElevationDeg!],
        [dayLengthHours(input.latitudeDeg!, input.declinationDeg!), expected.dayLengthHours!],
      ])(),
      ...over<Numbers, Numbers>("seasonal-geometry", "solar-time", ANGLE, (input, expected) => {
        const sun = sunAtSolarTime(input.latitudeDeg!, input.declinationDeg!, input.solarTimeH!);
        const turn = (((sun.azimuthDeg - expected.azimuthDeg! + 540) % 360) - 180) * Math.cos(degToRad(expected.elevationDeg!));
        return [
          [sun.elevationDeg, expected.elevationDeg!],
          [turn, 0],
        ];
      })(),
    ],
  },
  {
    stage: "Seasons",
    method: "Length of a shadow",
    source: "Meeus, 1979 (sun)",
    unit: "m",
    tolerance: "what 0.02° of the sun makes, case by case",
    comparisons: shadows,
  },
  {
    stage: "Seasons",
    method: "Row spacing",
    source: "Iqbal, 1983",
    unit: "m",
    tolerance: "1e-5",
    comparisons: over<Numbers, Maybe>("seasonal-geometry", "row-spacing", { relative: 1e-5 }, (input, expected) => {
      const got = rowSpacing(input as never);
      return [
        [orNaN(got?.gapM), expected.gapM ?? null],
        [orNaN(got?.pitchM), expected.pitchM ?? null],
      ];
    }),
  },
  {
    stage: "Strings and cables",
    method: "Cable drop and loss",
    source: "IEC 60228",
    unit: "Ω, V, W",
    tolerance: "1e-9",
    comparisons: over<Numbers, Numbers>("cable-and-string", "cable", CLOSED, (input, expected) => {
      const got = cableLoss(input as never);
      return [
        [got.loopResistanceOhm, expected.loopResistanceOhm!],
        [got.dropV, expected.dropV!],
        [got.lossW, expected.lossW!],
        [got.lossFrac * 100, expected.lossPct!],
      ];
    }),
  },
  {
    stage: "Strings and cables",
    method: "String limits",
    source: "IEC 62548-1:2023",
    unit: "V",
    tolerance: "1e-9; counts exact",
    comparisons: over<Numbers, Numbers>("cable-and-string", "string", CLOSED, (input, expected) => {
      const got = stringLimits({ ...input, betaVocPerK: input.betaVocPctPerK! / 100, vmpCoeffPerK: input.vmpCoeffPctPerK! / 100 } as never);
      return (["stringVocColdV", "stringVmpHotV", "maxModules", "minModules"] as const).map((key) => [got[key], expected[key]!] as const);
    }),
  },
  {
    stage: "Strings and cables",
    method: "Unlike modules: power, sum of modules",
    source: "Quaschning & Hanitsch, 1996; De Soto, Klein & Beckman, 2006",
    unit: "W",
    tolerance: "1e-4",
    comparisons: mixed(
      (got, expected) => [
        [got.pmpW, expected.pmpW],
        [got.sumOfModulesW, expected.sumOfModulesW],
        ...got.strings.map((string, k) => [string.pmpW, expected.strings[k]!.pmpW] as const),
      ],
      { relative: 1e-4, absolute: 1e-9 },
    ),
  },
  {
    stage: "Strings and cables",
    method: "Unlike modules: Voc and Isc",
    source: "Quaschning & Hanitsch, 1996",
    unit: "V, A",
    tolerance: "1e-5 of Voc, 1e-4 of Isc",
    comparisons: () => [
      ...mixed((got, expected) => [[got.vocV, expected.vocV]], { relative: 1e-5 })(),
      ...mixed((got, expected) => [[got.iscA, expected.iscA]], { relative: 1e-4 })(),
    ],
  },
];
