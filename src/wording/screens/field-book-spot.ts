import { catalogue } from "../catalogue";

/** What the screens of field, book, spot say. */
export const say = catalogue({
  aFigureCantBeRead: "a figure can't be read",
  whatWasRead: "What was read",
  stringsAreLiveInDaylightUp:
    "Strings are live in daylight, up to 1,500 V: only with a meter and leads rated for it (CAT III or IV), dry hands, and not alone. Never open a connector that carries current: the arc does not go out. Isc is read with a DC clamp or a meter whose range holds it, never across a battery. Maker’s procedure, local code and a licensed electrician come first.",
  lacksFiguresOfItsDatasheetVoc: (name: string) =>
    `Of “${name}” the book knows the power alone. Its area, or one of Voc, Isc, Vmp, Imp and cells, is enough to judge a reading: they stand on its back. Type them below, for this browser, or for the book:`,
  toTheModules: "under Site",
  anotherModule: "Another module, by its nameplate",
  estimatedModule: (fields: string) => `Estimated from the nameplate, and so much wider: ${fields}.`,
  glassBetween: "Glass between meter and module",
  noGlass: "none",
  onePane: "one pane",
  twoPanes: "two panes",
  giveTheLightInThePlane:
    "Give the light in the plane of the modules, then what the multimeter shows: one reading alone will do. The temperature of the back makes it sharper, that of the air a little.",
  modulesInSeries: "Modules in series",
  multimeterBearsV: "Multimeter bears, V",
  whereTheReadingsLie: "Where the readings lie",
  theCurrentSpeaksOfWM: (report: string) => ` The current speaks of ${report} W/m².`,
  theVoltageSpeaksOfCellsAt: (report: string) => ` The voltage speaks of cells at ${report}.`,
});
