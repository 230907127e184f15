import {
  discDniWm2,
  erbs,
  erbsDiffuseFrac,
  fillPlane,
  haurwitzGhiWm2,
  ineichenPerez,
  type PlaneLight,
  planeOf,
  type TranspositionModel,
} from "@/core/irradiance";
import { extraterrestrialWm2, pressurePa, relativeAirMass, sunPosition } from "@/core/sun";
import { degToRad } from "@/core/units";
import { type MethodCheck, over } from "./compare";

type Numbers = Record<string, number>;
const WATTS = { absolute: 0.01, relative: 1e-6 };
const cosOf = (zenithDeg: number): number => (zenithDeg >= 90 ? 0 : Math.cos(degToRad(zenithDeg)));

function lightOf(input: Numbers): PlaneLight {
  const zenith = degToRad(input.zenithDeg!);
  const azimuth = degToRad(input.sunAzimuthDeg!);
  const of = (value: number) => Float64Array.of(value);
  return {
    east: of(Math.sin(zenith) * Math.sin(azimuth)),
    north: of(Math.sin(zenith) * Math.cos(azimuth)),
    up: of(input.zenithDeg === 90 ? 0 : Math.cos(zenith)),
    extraterrestrialWm2: of(input.extraterrestrialNormalWm2!),
    ghiWm2: of(input.ghiWm2!),
    dniWm2: of(input.dniWm2!),
    dhiWm2: of(input.dhiWm2!),
    albedo: of(input.albedo!),
  };
}

function transposition(model: TranspositionModel, key: string, method: string, source: string): MethodCheck {
  return {
    stage: "Tilted plane",
    method,
    source,
    unit: "W/m²",
    tolerance: "0.01 W/m² + 1e-6",
    comparisons: over<Numbers, Numbers>("transposition", undefined, WATTS, (input, expected) => {
      const column = () => new Float64Array(1);
      const out = { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() };
      fillPlane(lightOf(input), planeOf(input.tiltDeg!, input.surfaceAzimuthDeg!), model, 1, out);
      return [
        [out.directionalWm2[0]! + out.skyWm2[0]! + out.groundWm2[0]!, expected[`${key}PoaWm2`]!],
        [out.directionalWm2[0]! - expected.beamWm2! + out.skyWm2[0]!, expected[`${key}SkyWm2`]!],
        [out.groundWm2[0]!, expected.groundWm2!],
      ];
    }),
  };
}

const position = over<Numbers & { timeUtc: string }, Numbers>("solar-position", undefined, { absolute: 0.01 }, (input, expected) => {
  const observer = {
    latitudeDeg: input.latitudeDeg!,
    longitudeDeg: input.longitudeDeg!,
    pressurePa: input.pressurePa!,
    airTempC: input.airTempC!,
  };
  const got = sunPosition(Date.parse(input.timeUtc), observer);
  // An azimuth near the zenith is ill-conditioned: what counts is the angle on the sky.
  const turn = (((got.azimuthDeg - expected.azimuthDeg! + 540) % 360) - 180) * Math.sin(degToRad(expected.trueZenithDeg!));
  return [
    [got.trueZenithDeg, expected.trueZenithDeg!],
    [got.apparentZenithDeg, expected.apparentZenithDeg!],
    [turn, 0],
  ];
});

const direction = over<Numbers & { timeUtc: string }, Numbers & { sunVectorEnu: number[] }>(
  "solar-position",
  undefined,
  { absolute: 2e-4 },
  (input, expected) => {
    const observer = {
      latitudeDeg: input.latitudeDeg!,
      longitudeDeg: input.longitudeDeg!,
      pressurePa: input.pressurePa!,
      airTempC: input.airTempC!,
    };
    const { vector, distanceAu } = sunPosition(Date.parse(input.timeUtc), observer);
    return [
      [vector.east, expected.sunVectorEnu[0]!],
      [vector.north, expected.sunVectorEnu[1]!],
      [vector.up, expected.sunVectorEnu[2]!],
      // Held twice as tight as the vector: 1e-4 astronomical units.
      [2 * distanceAu, 2 * expected.earthSunDistanceAu!],
    ];
  },
);

/** From the sun's position to light on the tilted plane. */
export const SKY_CHECKS: readonly MethodCheck[] = [
  {
    stage: "Sun",
    method: "Position",
    source: "Meeus, 1979; refraction after Reda & Andreas, 2004",
    unit: "°",
    tolerance: "0.01° of zenith, and of azimuth on the sky",
    comparisons: position,
  },
  {
    stage: "Sun",
    method: "Unit vector and distance",
    source: "Meeus, 1979",
    unit: "1",
    tolerance: "2e-4; distance 1e-4",
    comparisons: direction,
  },
  {
    stage: "Sun",
    method: "Extraterrestrial irradiance",
    source: "Spencer, 1971",
    unit: "W/m²",
    tolerance: "1e-6",
    comparisons: over<Numbers, Numbers>("extraterrestrial-airmass", undefined, { relative: 1e-6 }, (input, expected) => [
      [extraterrestrialWm2(input.dayOfYear!, input.solarConstantWm2), expected.extraterrestrialNormalWm2!],
    ]),
  },
  {
    stage: "Sun",
    method: "Air mass",
    source: "Kasten & Young, 1989",
    unit: "1",
    tolerance: "1e-6",
    comparisons: over<Numbers, { relativeAirmass: number | null }>(
      "extraterrestrial-airmass",
      undefined,
      { relative: 1e-6 },
      (input, expected) => [[relativeAirMass(input.apparentZenithDeg!), expected.relativeAirmass]],
    ),
  },
  {
    stage: "Sun",
    method: "Air pressure",
    source: "ISO 2533:1975",
    unit: "Pa",
    tolerance: "5e-4: published constants differ",
    comparisons: over<Numbers, Numbers>("extraterrestrial-airmass", undefined, { relative: 5e-4 }, (input, expected) => [
      [pressurePa(input.altitudeM!), expected.pressurePa!],
    ]),
  },
  {
    stage: "Clear sky",
    method: "Haurwitz",
    source: "Haurwitz, 1945",
    unit: "W/m²",
    tolerance: "0.01 W/m² + 1e-6",
    comparisons: over<Numbers, Numbers>("clear-sky", undefined, WATTS, (input, expected) => [
      [haurwitzGhiWm2(cosOf(input.apparentZenithDeg!)), expected.haurwitzGhiWm2!],
    ]),
  },
  {
    stage: "Clear sky",
    method: "Ineichen & Perez",
    source: "Ineichen & Perez, 2002",
    unit: "W/m²",
    tolerance: "0.01 W/m² + 1e-6",
    comparisons: over<Numbers, Numbers>("clear-sky", undefined, WATTS, (input, expected) => {
      const moment = {
        cosZenith: cosOf(input.apparentZenithDeg!),
        absoluteAirMass: input.absoluteAirmass ?? Number.NaN,
        linkeTurbidity: input.linkeTurbidity!,
        altitudeM: input.altitudeM!,
        normalWm2: input.extraterrestrialNormalWm2!,
      };
      const got = ineichenPerez(moment, { ghiWm2: 0, dniWm2: 0, dhiWm2: 0 });
      return (["ghiWm2", "dniWm2", "dhiWm2"] as const).map((part) => [got[part], expected[part]!] as const);
    }),
  },
  {
    stage: "Beam and diffuse",
    method: "Erbs",
    source: "Erbs, Klein & Duffie, 1982",
    unit: "W/m²",
    tolerance: "0.01 W/m² + 1e-6",
    comparisons: over<Numbers, Numbers>("decomposition", undefined, WATTS, (input, expected) => {
      const got = erbs(input.ghiWm2!, cosOf(input.zenithDeg!), input.extraterrestrialNormalWm2!, { dniWm2: 0, dhiWm2: 0 });
      return [
        [got.dniWm2, expected.erbsDniWm2!],
        [got.dhiWm2, expected.erbsDhiWm2!],
      ];
    }),
  },
  {
    stage: "Beam and diffuse",
    method: "DISC",
    source: "Maxwell, 1987",
    unit: "W/m²",
    tolerance: "0.01 W/m² + 1e-6",
    comparisons: over<Numbers, Numbers>("decomposition", undefined, WATTS, (input, expected) => [
      [
        discDniWm2(input.ghiWm2!, cosOf(input.zenithDeg!), input.extraterrestrialNormalWm2!, input.absoluteAirmass ?? Number.NaN),
        expected.maxwellDniWm2!,
      ],
    ]),
  },
  {
    stage: "Beam and diffuse",
    method: "Erbs, diffuse share",
    source: "Erbs, Klein & Duffie, 1982",
    unit: "1",
    tolerance: "1e-6",
    comparisons: over<Numbers, Record<string, number | null>>("decomposition", undefined, { relative: 1e-6 }, (_input, expected) =>
      expected.clearnessIndex == null || expected.erbsDiffuseFraction == null
        ? []
        : [[erbsDiffuseFrac(expected.clearnessIndex), expected.erbsDiffuseFraction]],
    ),
  },
  {
    stage: "Tilted plane",
    method: "Cosine of incidence",
    source: "Geometry",
    unit: "1",
    tolerance: "1e-7",
    comparisons: over<Numbers, Numbers>("transposition", undefined, { absolute: 1e-7 }, (input, expected) => {
      const { east, north, up } = lightOf(input);
      const plane = planeOf(input.tiltDeg!, input.surfaceAzimuthDeg!);
      // The sun at 90 deg stands on the horizon exactly in lightOf; its cosine there is the reference's to 1e-16.
      return [[plane.east * east[0]! + plane.north * north[0]! + plane.up * up[0]!, expected.cosAoi!]];
    }),
  },
  transposition("isotropic", "isotropic", "Even sky", "Liu & Jordan, 1963"),
  transposition("hay-davies", "hayDavies", "Hay & Davies", "Hay & Davies, 1980"),
  transposition("reindl", "reindl", "Reindl", "Reindl, Beckman & Duffie, 1990"),
  transposition("perez", "perez", "Perez", "Perez et al., 1990"),
];
