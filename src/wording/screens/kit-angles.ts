import { catalogue, type Fact } from "../catalogue";

/** What the screens of kit, angles say. */
export const say = catalogue({
  waysToMeasureATilt: "Ways to measure a tilt",
  readACompass: "Read a compass",
  sideViewDegreesFromHorizontal: (tiltDeg: number) => `Side view: ${tiltDeg} degrees from horizontal`,
  planViewFacingDegreesFromNorth: (azimuthDeg: number) => `Plan view: facing ${azimuthDeg} degrees from north`,
  standClearOfSteelCablesAnd: " Stand clear of steel, cables and the inverter; a wall's line is only as true as the wall.",
  whereTheModulesLook: "where the modules look",
  upTheSlope: "up the slope",
  alongTheLowerEdgeLeftTo: "along the lower edge, left to right from behind",
  compassShowsMagnetic: "Compass shows, ° magnetic",
  outsideItsYears: ", outside its years",
  worldMagneticModel: (model: string, outdated: Fact) => `World Magnetic Model (${model})${outdated}`,
  straightTowardTheEquator: "Straight toward the equator.",
  ofStraightTowardTheEquator: (off: string, off2: string) => `${off}° ${off2} of straight toward the equator.`,
  howTheTiltWasMeasured: "How the tilt was measured",
  angleFromUpright: "Angle from upright, °",
  overARunOf: "over a run of",
  crossesTheFlatArmAt: "Crosses the flat arm at",
  hungThisFarUpTheOther: "hung this far up the other",
  sideViewDegreesFromFlat: (shown: string) => `Side view: ${shown} degrees from flat`,
  towardTheEquator: (equator: string) => `toward the equator (${equator})`,
  awayFromTheEquator: "away from the equator",
  noonSunOf: "Noon sun of",
  toUseFromFlat: (read: string) => `Use ${read}° from flat`,
  measuredAgainstAWallOrA: "Measured against a wall or a plumb line: 0 stands upright, 90 lies flat. Dusty Ledger keeps 90 minus it.",
  ofTheRoofBothInOne: "Of the roof, both in one unit: 5 up in 12 along is 22.6°.",
  layOneArmOfACarpenters:
    "Lay one arm of a carpenter's square on the module, pointing down the slope. Hang the line from the arm that stands off it.",
  layItsLongEdgeOnThe:
    "Lay its long edge on the module along the slope. Turn the phone round on the spot and read again: the mean takes its zero error out.",
});
