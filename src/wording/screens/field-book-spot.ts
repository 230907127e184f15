import { catalogue } from "../catalogue";

/** What the screens of field, book, spot say. */
export const say = catalogue({
  aFigureCantBeRead: "a figure can't be read",
  whatWasRead: "What was read",
  stringsAreLiveInDaylightUp:
    "Strings are live in daylight, up to 1,500 V: only with a meter and leads rated for it (CAT III or IV), dry hands, and not alone. Never open a connector that carries current: the arc does not go out. Isc is read with a DC clamp or a meter whose range holds it, never across a battery. Maker’s procedure, local code and a licensed electrician come first.",
  lacksFiguresOfItsDatasheetVoc: (name: string) =>
    `“${name}” lacks figures of its datasheet (Voc, Isc, Vmp, Imp, cells in series): enter them in the Site chapter, then a reading can be judged.`,
  giveTheLightInThePlane: "Give the light in the plane of the modules and the temperature on their back, then what the multimeter shows.",
  modulesInSeries: "Modules in series",
  multimeterBearsV: "Multimeter bears, V",
  whereTheReadingsLie: "Where the readings lie",
  theCurrentSpeaksOfWM: (report: string) => ` The current speaks of ${report} W/m².`,
  theVoltageSpeaksOfCellsAt: (report: string) => ` The voltage speaks of cells at ${report}.`,
});
