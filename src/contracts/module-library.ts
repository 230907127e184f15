import type { z } from "zod";
import { moduleSchema } from "./site";

/** Made-up modules of common kinds, for a book that begins without a datasheet. Not one of them is for sale. */
const LIBRARY: Readonly<Record<string, z.input<typeof moduleSchema>>> = {
  "Ambry 400": { pmpW: 400, vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76, cellsInSeries: 72, noctC: 45, areaM2: 2, maxSystemV: 1500 },
  "Quayle 375": {
    pmpW: 375,
    vocV: 41.4,
    iscA: 11.5,
    vmpV: 34.7,
    impA: 10.81,
    cellsInSeries: 60,
    gammaPmpPerK: -0.0035,
    betaVocPerK: -0.0027,
    noctC: 44,
    areaM2: 1.82,
    maxSystemV: 1500,
  },
  "Tarn 330": {
    pmpW: 330,
    vocV: 40.9,
    iscA: 10.27,
    vmpV: 34.2,
    impA: 9.65,
    cellsInSeries: 60,
    gammaPmpPerK: -0.0037,
    noctC: 45,
    areaM2: 1.68,
    maxSystemV: 1000,
  },
  "Lantern 245 (older)": {
    pmpW: 245,
    vocV: 37.2,
    iscA: 8.8,
    vmpV: 30.2,
    impA: 8.12,
    cellsInSeries: 60,
    gammaPmpPerK: -0.0044,
    betaVocPerK: -0.0033,
    alphaIscPerK: 0.0006,
    noctC: 46,
    areaM2: 1.63,
    maxSystemV: 1000,
  },
  "Heron 430 two-sided": {
    pmpW: 430,
    vocV: 39.1,
    iscA: 13.9,
    vmpV: 32.8,
    impA: 13.11,
    cellsInSeries: 54,
    gammaPmpPerK: -0.003,
    betaVocPerK: -0.0025,
    noctC: 43,
    areaM2: 1.95,
    maxSystemV: 1500,
    bifacialityFrac: 0.75,
  },
  "Skerry 545": {
    pmpW: 545,
    vocV: 49.7,
    iscA: 13.9,
    vmpV: 41.8,
    impA: 13.04,
    cellsInSeries: 72,
    gammaPmpPerK: -0.0034,
    betaVocPerK: -0.0027,
    noctC: 45,
    areaM2: 2.58,
    maxSystemV: 1500,
  },
  "Wicket 100 (small)": {
    pmpW: 100,
    vocV: 22.3,
    iscA: 5.9,
    vmpV: 18.6,
    impA: 5.38,
    cellsInSeries: 36,
    bypassDiodes: 2,
    gammaPmpPerK: -0.0041,
    noctC: 46,
    areaM2: 0.6,
    maxSystemV: 600,
  },
  "Vellum 150 (thin film)": {
    pmpW: 150,
    vocV: 108,
    iscA: 2.05,
    vmpV: 84,
    impA: 1.79,
    cellsInSeries: 150,
    bypassDiodes: 1,
    gammaPmpPerK: -0.0031,
    betaVocPerK: -0.0029,
    noctC: 47,
    areaM2: 1.09,
  },
};

export const moduleLibrary = Object.entries(LIBRARY).map(([name, fields]) => ({ name, fields: moduleSchema.parse(fields) }));

/** A module of the library by its name. Throws a RangeError for a name that it lacks. */
export function libraryModule(name: string): (typeof moduleLibrary)[number]["fields"] {
  const found = moduleLibrary.find((entry) => entry.name === name);
  if (!found) throw new RangeError(`The library has no module ${name}`);
  return found.fields;
}
