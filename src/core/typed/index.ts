export { type Claim, claimOfLine } from "./claim-line";
export { type ModuleRead, moduleOfLine } from "./module-line";
export { type Spot, spotOf } from "./place-line";
export { readTyped, type Typed, type TypedField, type TypedRefusal } from "./read-typed";
export { type PlantRead, plantOfLine, type RoofRead } from "./roof-line";
export { type DecimalMark, typedNumber } from "./typed-number";
export { awgMm2, type Dimension, imperialOf, inUnit, unitOf } from "./units";
